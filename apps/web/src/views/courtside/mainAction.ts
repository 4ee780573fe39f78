export interface MainAction {
  name: string;
  key?: string;
  act: () => unknown;
  off?: boolean;
}

/** The one thing to do next with the machine, by its state. */
export function mainAction(
  state: string,
  acts: Record<'arm' | 'feed' | 'resume' | 'clear' | 'begin', () => unknown>,
  running: boolean,
  /** What is on hold in it is another round. */
  isOthers: boolean,
  count: { own: number; all: number },
  { linkUp, status }: { linkUp: boolean; status: { thrown: number; count: number } | null },
): MainAction | null {
  switch (state) {
    case 'by hand':
      return running ? null : { name: 'Begin round', key: 'a', act: acts.begin };
    case 'stowed':
    case 'idle':
      return { name: 'Arm', key: 'a', act: acts.arm };
    case 'arming':
      return { name: 'Arming …', act: () => {}, off: true };
    case 'ready':
      return running && status && status.count === count.own
        ? { name: `Feed ${count.all} balls`, key: 'f', act: acts.feed }
        : { name: 'Arm', key: 'a', act: acts.arm };
    case 'feeding':
      return { name: 'Feeding', act: () => {}, off: true };
    case 'held':
      if (isOthers) return { name: 'Take it over', key: 'a', act: acts.arm };
      return running ? { name: 'Resume', key: 'r', act: acts.resume } : { name: 'Arm', key: 'a', act: acts.arm };
    case 'fault':
      return { name: 'Clear the fault', act: acts.clear };
    default:
      return { name: linkUp ? 'One moment …' : 'No machine', act: () => {}, off: true };
  }
}
