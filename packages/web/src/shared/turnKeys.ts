/** What a key turns by, radians. */
const TURN_BY = 0.18;

/**
 * Lets the arrow keys turn what a canvas shows.
 * @param turn told how far about the upright axis and how far towards the eye, radians
 * @returns ends it
 */
export function turnKeys(canvas: HTMLCanvasElement, turn: (round: number, over: number) => void): () => void {
  const pressed = (event: KeyboardEvent) => {
    const by = {
      ArrowLeft: [-TURN_BY, 0],
      ArrowRight: [TURN_BY, 0],
      ArrowUp: [0, -TURN_BY],
      ArrowDown: [0, TURN_BY],
    }[event.key];
    if (!by) return;
    event.preventDefault();
    turn(by[0] ?? 0, by[1] ?? 0);
  };
  canvas.addEventListener('keydown', pressed);
  return () => canvas.removeEventListener('keydown', pressed);
}
