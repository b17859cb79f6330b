/** Whether a key press belongs to a field or an open dialog, and is no command. */
export function isTyping(event: KeyboardEvent): boolean {
  const { target } = event;
  if (!(target instanceof HTMLElement)) return false;
  if (target.closest('input, textarea, select, [contenteditable="true"], [role="listbox"], [role="menu"]'))
    return true;
  return document.querySelector('.v-overlay--active.v-dialog') !== null;
}
