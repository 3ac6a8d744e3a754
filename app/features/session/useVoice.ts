/** Speaks by the browser's own voice, where it has one. Off until somebody wants it. */
export function useVoice() {
  const on = useLocalStorage('uzzet-voice', false)
  const able = import.meta.client && 'speechSynthesis' in window
  function say(words: string): void {
    if (!on.value || !able) return
    // The newest is what counts: what is still being said gives way.
    window.speechSynthesis.cancel()
    window.speechSynthesis.speak(new SpeechSynthesisUtterance(words))
  }
  return { on, able, say }
}
