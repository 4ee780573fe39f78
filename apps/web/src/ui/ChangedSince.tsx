import { Button } from './Button.tsx';
import { Notice } from './Notice.tsx';

/** Whose change is kept. */
export type Whose = 'mine' | 'theirs' | 'both';

/** Somebody else saved in between: nothing is lost, and the person says whose stands. */
export function ChangedSince({
  what,
  onSettle,
  className = '',
}: {
  /** Such as `this ladder`. */
  what: string;
  onSettle: (whose: Whose) => void;
  className?: string;
}) {
  return (
    <Notice role="alert" tone="error" className={className}>
      <p className="text-lg font-semibold">Somebody else has changed {what} since this page was opened.</p>
      <p>Nothing of theirs was overwritten, and what you changed is still on this page. Which is to be kept?</p>
      <div className="mt-2 flex flex-wrap gap-2">
        <Button look="primary" size="l" onClick={() => onSettle('both')}>
          Both: mine where I changed something
        </Button>
        <Button size="l" onClick={() => onSettle('mine')}>
          Mine
        </Button>
        <Button size="l" onClick={() => onSettle('theirs')}>
          Theirs
        </Button>
      </div>
    </Notice>
  );
}
