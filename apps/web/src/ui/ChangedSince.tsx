import { Button } from './Button.tsx';
import { Notice } from './Notice.tsx';

/** Somebody else saved in between: nothing is lost, and the person says whose stands. */
export function ChangedSince({
  what,
  onMine,
  onTheirs,
  onBoth,
  children,
  className = '',
}: {
  /** Such as `this ladder`. */
  what: string;
  onMine: () => void;
  onTheirs: () => void;
  onBoth: () => void;
  children?: React.ReactNode;
  className?: string;
}) {
  return (
    <Notice role="alert" tone="error" className={className}>
      <p className="text-lg font-semibold">Somebody else has changed {what} since this page was opened.</p>
      <p>Nothing of theirs was overwritten, and what you changed is still on this page. Which is to be kept?</p>
      {children}
      <div className="mt-2 flex flex-wrap gap-2">
        <Button look="primary" size="l" onClick={onBoth}>
          Both: mine where I changed something
        </Button>
        <Button size="l" onClick={onMine}>
          Mine
        </Button>
        <Button size="l" onClick={onTheirs}>
          Theirs
        </Button>
      </div>
    </Notice>
  );
}
