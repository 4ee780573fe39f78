import { messageOf } from './api.ts';
import { toast } from './toast.ts';

/** Says what was done and offers to undo it. */
export function saidWithUndo(text: string, undo: () => Promise<void>): void {
  toast(text, {
    duration: 12_000,
    action: {
      label: 'Undo',
      onClick: () => {
        undo().catch((error: unknown) => toast.error(messageOf(error)));
      },
    },
  });
}

/** Runs a change and shows what went wrong, if anything did. @returns whether it worked */
export async function attempt(work: () => Promise<unknown>): Promise<boolean> {
  try {
    await work();
    return true;
  } catch (error) {
    toast.error(messageOf(error));
    return false;
  }
}
