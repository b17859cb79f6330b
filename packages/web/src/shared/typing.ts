/** Whether a key press belongs to a field or an open dialog, and is no command. */
export function isTyping(event: KeyboardEvent): boolean {
  const { target } = event;
  if (!(target instanceof HTMLElement)) return false;
  if (target.closest('input, textarea, select, [contenteditable="true"], [role="listbox"], [role="menu"]'))
    return true;
  return document.querySelector('.v-overlay--active.v-dialog') !== null;
}

/**
 * The command that a key press is: its letter as it stands on the key, whether CapsLock is on or not. Undefined for what belongs to a field, a
 * dialog or the browser, and for all of them where single keys are switched off.
 */
export function commandOf(event: KeyboardEvent, keysAreOn: boolean): string | undefined {
  if (!keysAreOn || isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return undefined;
  return event.key.length === 1 && !event.shiftKey ? event.key.toLowerCase() : event.key;
}
