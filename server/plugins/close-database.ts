/** The pool ends with the server, so that stopping is quick and clean. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('close', closeDatabase)
})
