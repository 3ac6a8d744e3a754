/** Errors in the browser are seen in its console: a swallowed one is one that nobody mends. */
export default defineNuxtPlugin(nuxtApp => {
  nuxtApp.hook('vue:error', (error, _instance, info) => console.error(info, error))
})
