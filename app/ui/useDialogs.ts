/** Dialogs that any page or key may open. */
export function useDialogs() {
  return {
    help: useState('help-open', () => false),
    search: useState('search-open', () => false),
    playsLike: useState('plays-like-open', () => false),
  }
}
