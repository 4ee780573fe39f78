/**
 * For what is pressed: loads what the press will ask for when a pointer or the focus comes to it. Loaded with the page it would cost a cheap phone as much
 * as the page itself, whether anybody presses or not.
 * @param load may be asked again and again
 */
export function whenMeant(load: () => Promise<unknown>) {
  // what cannot be loaded is told by the press
  const begin = (): void => void load().catch(() => undefined);
  return { onPointerEnter: begin, onFocus: begin };
}
