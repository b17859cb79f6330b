import { computed, ref, type Ref } from 'vue';

/** From each cell of a table that has a button, the one that a key leads to: beside, above or below it, or at an end of its row. */
export function cellBeside(table: HTMLTableElement, from: HTMLElement, key: string): HTMLElement | undefined {
  const cell = from.closest('td');
  const row = cell?.closest('tr');
  if (!cell || !row) return undefined;
  const buttonIn = (line: HTMLTableRowElement | undefined, at: number) =>
    line?.cells.item(at)?.querySelector<HTMLElement>('button') ?? undefined;
  const lines = [...table.rows];
  const own = lines.indexOf(row);
  switch (key) {
    case 'ArrowLeft':
      return buttonIn(row, cell.cellIndex - 1);
    case 'ArrowRight':
      return buttonIn(row, cell.cellIndex + 1);
    case 'ArrowUp':
      return buttonIn(lines[own - 1], cell.cellIndex);
    case 'ArrowDown':
      return buttonIn(lines[own + 1], cell.cellIndex);
    case 'Home':
      return row.querySelector<HTMLElement>('button') ?? undefined;
    case 'End':
      return [...row.querySelectorAll<HTMLElement>('button')].at(-1);
    default:
      return undefined;
  }
}

/**
 * A board of many buttons as one stop of Tab, with arrows leading on from there.
 * @param table the board
 * @param ids what its cells are called, row by row; the first is where Tab leads at first
 */
export function useBoardKeys(table: Readonly<Ref<HTMLTableElement | null>>, ids: () => readonly string[]) {
  const last = ref<string>();
  const reached = computed(() => {
    const all = ids();
    return last.value !== undefined && all.includes(last.value) ? last.value : all[0];
  });
  const reach = (id: string) => (last.value = id);
  function key(event: KeyboardEvent): void {
    if (!table.value || !(event.target instanceof HTMLElement)) return;
    const next = cellBeside(table.value, event.target, event.key);
    if (!next) return;
    event.preventDefault();
    next.focus();
  }
  return { reached, reach, key };
}
