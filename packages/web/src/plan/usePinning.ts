import { sayMoment, type Binding, type PlannedOperation, sure } from '@fixatum/core';
import { useTimeoutFn } from '@vueuse/core';
import { ref, watch, type Ref } from 'vue';
import { useBuild } from '../shared/build';
import { useNotice } from '../shared/notice';

const SNAP_MINUTES = 5;
const MOVES_FROM_PX = 5;
/** Keys come one after the other: what they come to is pinned after so long without another. */
const SETTLE_MS = 700;

/** Why a pass can't begin when it was pinned to. */
export const pinReasons: Record<Binding | 'choice', string> = {
  start: 'that is past',
  order: 'what goes before is not done by then',
  drying: 'what lies below is not dry enough by then',
  through: 'what lies below is not dry through by then, and the coats would hold each other up',
  window: 'no recoat window is open then',
  hands: 'nobody is free then',
  tool: 'the tool is in other hands then',
  place: 'the place is closed then',
  quiet: 'those are quiet hours',
  rack: 'the rack is full then',
  air: 'the air is unfit then',
  dust: 'dust would settle on wet paint then',
  material: 'a material is not here by then',
  choice: 'the plan as a whole is better so',
};

/** What a drag comes to: so many minutes, to the next five; nothing while it is hardly moved. */
export function draggedMinutes(px: number, widthPx: number, spanMinutes: number): number {
  if (Math.abs(px) < MOVES_FROM_PX || widthPx <= 0) return 0;
  return Math.round((px * spanMinutes) / widthPx / SNAP_MINUTES) * SNAP_MINUTES;
}

interface Chart {
  /** What the minutes of the chart are laid along. */
  lanes: Ref<HTMLElement | undefined>;
  from: Ref<number>;
  until: Ref<number>;
}

/**
 * Passes taken by the hand or moved by keys: dragged sideways one is pinned where it is dropped, pressed it is told about. Where the plan can't keep
 * a pin the reason is said.
 * @param onPress told of a pass that was pressed and not dragged
 */
export function usePinning({ lanes, from, until }: Chart, onPress: (operation: PlannedOperation) => void) {
  const store = useBuild();
  const notice = useNotice();
  const drag = ref<{ id: string; fromX: number; byMinutes: number }>();
  /** A pin whose plan is still to come. */
  const watched = ref<{ id: string; to: number }>();

  function grab(event: PointerEvent, operation: PlannedOperation): void {
    if (operation.status !== 'planned' || event.button !== 0) return;
    if (event.currentTarget instanceof Element) event.currentTarget.setPointerCapture(event.pointerId);
    drag.value = { id: operation.id, fromX: event.clientX, byMinutes: 0 };
  }
  function pull(event: PointerEvent): void {
    if (!drag.value || !lanes.value) return;
    const px = event.clientX - drag.value.fromX;
    drag.value.byMinutes = draggedMinutes(px, lanes.value.clientWidth, until.value - from.value);
  }
  async function drop(operation: PlannedOperation): Promise<void> {
    // Let go of after Escape: nothing is in the hand any more.
    if (drag.value?.id !== operation.id) return;
    const { byMinutes } = drag.value;
    drag.value = undefined;
    if (byMinutes === 0) return onPress(operation);
    const to = Math.max(Math.floor(store.now), sure(operation.start, 'when it is planned') + byMinutes);
    watched.value = { id: operation.id, to };
    await store.pin([operation.id], to);
  }
  const cancel = () => {
    settle.stop();
    drag.value = undefined;
  };
  /** Moves a pass by keys; it is pinned once no key has moved it for a moment. */
  function nudge(operation: PlannedOperation, minutes: number): void {
    const before = drag.value?.id === operation.id ? drag.value.byMinutes : 0;
    drag.value = { id: operation.id, fromX: 0, byMinutes: before + minutes };
    settle.start(operation);
  }
  const settle = useTimeoutFn(
    (operation: PlannedOperation) => {
      if (drag.value?.byMinutes === 0) drag.value = undefined;
      else void drop(operation);
    },
    SETTLE_MS,
    { immediate: false },
  );

  watch(
    () => store.view,
    () => {
      const one = watched.value && store.operations.get(watched.value.id);
      if (!one || !watched.value || store.planning) return;
      const { to } = watched.value;
      watched.value = undefined;
      if (one.start !== undefined && one.start <= to + SNAP_MINUTES) return;
      const { timeZone } = store.theView;
      notice.say(
        `It can’t begin ${sayMoment(to, timeZone)}: ${pinReasons[one.boundBy ?? 'order']}. ${one.start === undefined ? 'It has no place at all now.' : `It begins ${sayMoment(one.start, timeZone)}.`}`,
        { label: 'Undo', run: () => void store.undo() },
      );
    },
  );

  /** By how many minutes a pass is dragged just now. */
  const shiftOf = (operation: PlannedOperation) =>
    drag.value?.id === operation.id ? drag.value.byMinutes : 0;

  return { grab, pull, drop, cancel, nudge, shiftOf };
}
