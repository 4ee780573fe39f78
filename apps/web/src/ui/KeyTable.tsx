import { Dialog } from './Dialog.tsx';

type KeyList = readonly (readonly [keys: string, does: string])[];

const EVERYWHERE: KeyList = [
  ['?', 'this list'],
  ['Ctrl K', 'find a player, a ladder, a machine, a round'],
  ['Tab, Shift Tab', 'from one thing to the next, and back'],
  ['Alt T', 'to the message that popped up; Tab to its Undo'],
  ['Esc', 'close a dialog, or leave a field as it was'],
];

/** The keys of each view, by the start of its address. */
const BY_VIEW: readonly (readonly [path: string, keys: KeyList])[] = [
  [
    '/bench',
    [
      ['← → ↑ ↓', 'move the machine, landing spot or player that has the focus'],
      ['Shift + arrow, Alt + arrow', 'coarse, fine'],
      ['↑ ↓ in a field', 'a step up or down; Shift five steps, Alt a fifth'],
      ['Ctrl Z, Ctrl Shift Z', 'undo, redo'],
    ],
  ],
  [
    '/ladders/',
    [
      ['Alt ↑, Alt ↓', 'move the rung that has the focus'],
      ['↑, ↓ on the grip', 'move the rung'],
    ],
  ],
  [
    '/courtside',
    [
      ['Shift A, F or R', 'arm, feed (or finish), resume; Enter on the button does the same'],
      ['H', 'hold'],
      ['S', 'stow'],
      ['J, K, L, space', 'in, near, out, let go'],
      ['U', 'undo the last result'],
      ['N', 'the ball that waits is not judged'],
      ['G, T', 'ready, and swing, where they are timed'],
      ['B', 'along with the balls of a machine without a line'],
    ],
  ],
];

/** The keys of the view that is open, and those of every page. */
export function KeyTable({ onClose }: { onClose: () => void }) {
  const own = BY_VIEW.find(([path]) => location.pathname.startsWith(path))?.[1] ?? [];
  return (
    <Dialog title="Keys" onClose={onClose}>
      <table className="w-full text-left">
        <tbody>
          {[...own, ...EVERYWHERE].map(([keys, does]) => (
            <tr key={keys} className="border-b border-base-300">
              <th scope="row" className="dial py-2 pr-4 font-semibold">
                {keys}
              </th>
              <td className="py-2">{does}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Dialog>
  );
}
