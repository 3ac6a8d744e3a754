import { firstFrame } from '../first-frame'

/** A page opens with its frame, before its script is there; `app/plugins/first-frame.client.ts` takes it away. */
export default defineNitroPlugin(nitro => {
  nitro.hooks.hook('render:html', (html, { event }) => {
    const { name } = useRuntimeConfig(event).session
    const frame = firstFrame(event.path.split('?')[0]!, getCookie(event, name ?? '') !== undefined)
    if (frame) html.bodyPrepend.push(frame)
  })
})
