/** A quiet beat to swing by: "one" going back, "two" at the finish. Made in the browser, off until it is asked for. */
export function useBeat() {
  /** Beats a minute: from the player's own count. */
  const tempo = useLocalStorage('uzzet-beat', 72)
  const on = ref(false)
  const failure = ref('')
  let context: AudioContext | undefined
  let timer: ReturnType<typeof setInterval> | undefined
  let count = 0
  const TONES_HZ = [440, 660] as const
  const LONG_S = 0.08
  const QUIET = 0.05

  function sound(): void {
    if (!context) return
    const tone = context.createOscillator()
    const gain = context.createGain()
    tone.frequency.value = TONES_HZ[count++ % TONES_HZ.length]!
    gain.gain.setValueAtTime(QUIET, context.currentTime)
    gain.gain.exponentialRampToValueAtTime(0.0001, context.currentTime + LONG_S)
    tone.connect(gain).connect(context.destination)
    tone.start()
    tone.stop(context.currentTime + LONG_S)
  }
  function stop(): void {
    clearInterval(timer)
    void context?.close()
    context = undefined
    on.value = false
  }
  function start(): void {
    stop()
    failure.value = ''
    try {
      context = new AudioContext()
    } catch (error) {
      failure.value = `This browser makes no sound: ${(error as Error).message}`
      return
    }
    count = 0
    on.value = true
    sound()
    timer = setInterval(sound, 60_000 / tempo.value)
  }
  watch(tempo, () => {
    if (on.value) start()
  })
  onBeforeUnmount(stop)
  return { tempo, on, failure, toggle: () => (on.value ? stop() : start()) }
}
