/** Takes away what the page was opened with (`server/first-frame.ts`) once the page itself stands there. */
export default defineNuxtPlugin(app => {
  const take = () => document.getElementById('first-frame')?.remove()
  app.hook('page:finish', () => {
    if (document.querySelector('#__nuxt main')) take()
  })
  app.hook('app:error', take)
})
