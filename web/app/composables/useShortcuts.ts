import { onKeyStroke } from '@vueuse/core'

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable ||
    ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName) ||
    target.closest('[role="dialog"],[role="listbox"],[role="menu"]') !== null)

/**
 * Keys of the page, by `event.key` in lower case. They rest while something is typed, while a dialog is open and
 * while a modifier is held; Space stays with a focused button; on a link it would only scroll.
 */
export function useShortcuts(keys: Readonly<Record<string, () => void>>): void {
  onKeyStroke(event => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.repeat || typing(event.target)) return
    const run = keys[event.key.length === 1 ? event.key.toLowerCase() : event.key]
    if (!run || document.querySelector('[role="dialog"]')) return
    const onControl =
      event.target instanceof HTMLElement && event.target.closest('button,summary,[role="radio"],[role="tab"]')
    if (onControl && event.key === ' ') return
    event.preventDefault()
    run()
  })
}
