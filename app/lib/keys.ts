/** True while the key goes into a field, where a shortcut would swallow what is typed. */
export function isTyping(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement | null
  return !!target?.closest('input, textarea, select, [contenteditable]')
}
