/** `16:42`: so many seconds after a local day and time. */
export function clockAt(startsAt: string, afterS: number): string {
  const [hours = 0, minutes = 0] = (startsAt.split('T')[1] ?? '').split(':').map(Number);
  const total = hours * 60 + minutes + Math.floor(afterS / 60);
  return `${String(Math.floor(total / 60) % 24).padStart(2, '0')}:${String(((total % 60) + 60) % 60).padStart(2, '0')}`;
}
