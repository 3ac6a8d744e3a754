/** Colours of the theme as the page has them now, for what is drawn on a canvas; read again when the theme changes. */
export function useChartInk() {
  const colorMode = useColorMode()
  const ink = ref({
    ink: '#1e2a3a',
    soft: '#5b6675',
    hairline: '#ddd6c8',
    raised: '#ffffff',
    hole: '#c8401a',
    tint: '#c8401a1f',
    window: '#1e2a3a1a',
    overlap: '#75619b',
    weak: '#8a6500',
    paper: '#faf8f3',
  })
  function read() {
    const style = getComputedStyle(document.documentElement)
    const of = (name: string) => style.getPropertyValue(name).trim()
    ink.value = {
      ink: of('--ink'),
      soft: of('--soft-ink'),
      hairline: of('--hairline'),
      raised: of('--raised'),
      hole: of('--hole'),
      tint: of('--hole-tint'),
      window: of('--window-tint'),
      overlap: of('--overlap'),
      weak: of('--weak'),
      paper: of('--ui-bg'),
    }
  }
  onMounted(read)
  watch(
    () => colorMode.value,
    () => nextTick(read),
  )
  return { ink }
}
