/** What a page looks like is no matter of these tests: the checker of the pages reads the components themselves. */
declare module '*.vue' {
  import type { DefineComponent } from 'vue'
  const component: DefineComponent
  export default component
}
