import { type Checklist, makeCard, writeCardJson, writeCardText } from '@good-arc/core';
import { type CSSProperties, useMemo, useRef, useState } from 'react';
import type { BallRow, CourtRow, LadderRow, MachineRow, Viewer } from '../../api/rows.ts';
import { Button } from '../../ui/Button.tsx';
import { today } from '../../ui/day.ts';
import { download, fileName } from '../../ui/download.ts';
import { Select } from '../../ui/Select.tsx';
import { share } from '../../ui/share.ts';
import { toast } from '../../ui/toast.ts';
import { Units, useUnits } from '../../ui/Units.tsx';
import { SetupCard } from './Card.tsx';
import { asToday, cardLines, describeCard } from './describe.ts';
import { PAPERS, type Paper } from './papers.ts';
import { ChecksSheet, RungSheet } from './RungSheet.tsx';
import { sheetsOf } from './sheets.ts';
import { usePaperFit } from './usePaperFit.ts';

interface Props {
  viewer: Viewer;
  ladder: LadderRow;
  machine: MachineRow;
  machines: MachineRow[];
  court: CourtRow;
  stock: BallRow[];
  checks: Checklist;
}

export default function CardPage(props: Props) {
  return (
    <Units system={props.viewer.units}>
      <CardView {...props} />
    </Units>
  );
}

/** The setup card on screen as it will be on paper, and every way to give it away. */
function CardView({ ladder, machine, machines, court, stock, checks }: Props) {
  const units = useUnits();
  const [paper, setPaper] = useState<Paper>(units.system === 'imperial' ? 'letter' : 'a4');
  const day = today();
  const address = `${location.origin}/card?ladder=${ladder.id}`;
  const [drawing, setDrawing] = useState(false);
  // a phone shows a rung at a time; on paper all are on one sheet unless asked otherwise
  const [isByRung, setIsByRung] = useState(() => window.matchMedia('(max-width: 48rem)').matches);
  const sheets = useMemo(
    () => (isByRung ? sheetsOf({ ladder, machine, machines, court, stock, checks, day }, units, location.origin) : []),
    [isByRung, units, ladder, machine, machines, court, stock, checks, day],
  );
  const { size, copies, marginMm } = PAPERS[paper];
  const sheet = useRef<HTMLElement>(null);
  const fit = usePaperFit(sheet, paper, PAPERS[paper]);
  const card = () =>
    makeCard(
      ladder,
      ladder.rungs.map(({ document }) => document),
      court,
      asToday(machine, day),
      machines.map((each) => asToday(each, day)),
    );
  const text = (): string => writeCardText(card(), cardLines({ ladder, machine, machines, court, day }, units));

  async function savePdf(): Promise<void> {
    setDrawing(true);
    try {
      const { cardPdf } = await import('./CardPdf.tsx');
      const words = describeCard({ ladder, machine, machines, court, stock, checks, day }, units);
      const size = paper === 'pocket' ? 'A6' : paper.startsWith('letter') ? 'LETTER' : 'A4';
      download(`${fileName(ladder.name)}.card.pdf`, await cardPdf(words, ladder.rungs[0]!.document, ladder.sport, size, address));
    } catch {
      toast.error('The PDF could not be drawn. Print the page instead, and choose “save as PDF” there.');
    } finally {
      setDrawing(false);
    }
  }

  async function copyText(): Promise<void> {
    try {
      await navigator.clipboard.writeText(text());
      toast('The card is copied as text: paste it into a message.');
    } catch {
      download(`${fileName(ladder.name)}.card.txt`, new Blob([text()], { type: 'text/plain' }));
    }
  }

  /** A message of one screen; the whole card goes with it as a file. */
  function pass(): void {
    const file = new File([text()], `${fileName(ladder.name)}.card.txt`, { type: 'text/plain' });
    void share({ title: ladder.name, text: cardLines({ ladder, machine, machines, court, day }, units).join('\n'), file });
  }

  return (
    <div className="px-4 pt-4 pb-12 md:px-6 print:p-0">
      <style>{`@page { size: ${size}; margin: ${marginMm}mm }`}</style>
      <div className="no-print mb-4 flex flex-wrap items-end gap-3 border-b border-base-content pb-4">
        <div className="mr-auto">
          <a href={`/ladders/${ladder.id}`} className="text-sm font-medium text-quiet hover:underline">
            {ladder.name}
          </a>
          <h1 className="text-2xl">Setup card</h1>
        </div>
        <Select
          className="w-52"
          label="Paper"
          value={paper}
          onChange={setPaper}
          options={Object.entries(PAPERS).map(([key, { name }]) => [key as Paper, name] as const)}
        />
        <Select
          className="w-52"
          label="Sheets"
          value={isByRung ? 'rung' : 'ladder'}
          onChange={(each) => setIsByRung(each === 'rung')}
          options={[
            ['ladder', 'all rungs on one'],
            ['rung', 'a sheet a rung'],
          ]}
        />
        <Button look="primary" onClick={() => window.print()}>
          Print
        </Button>
        <Button disabled={drawing} onClick={savePdf}>
          {drawing ? 'Drawing …' : 'Save as PDF'}
        </Button>
        <Button onClick={pass}>Share</Button>
        <Button onClick={copyText}>Copy as text</Button>
        <Button
          onClick={() => download(`${fileName(ladder.name)}.card.json`, new Blob([writeCardJson(card())], { type: 'application/json' }))}
        >
          Save as a file
        </Button>
      </div>
      {isByRung && (
        <div className="rung-sheets">
          {sheets.map((words) => (
            <RungSheet key={words.number} words={words} under={`${ladder.name} · ${court.name} · ${machine.name}`} />
          ))}
          <ChecksSheet {...checks} />
        </div>
      )}
      <div className={copies === 1 && !isByRung ? 'lg:grid lg:grid-cols-[minmax(0,46rem)_minmax(0,1fr)] lg:gap-8' : ''}>
        {/* it scrolls to the side on a phone, and keys must reach that */}
        <section
          ref={sheet}
          aria-label="The card"
          // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls
          tabIndex={0}
          className={isByRung ? 'hidden' : `card-sheet paper-${paper}`}
          style={{ '--fit': fit } as CSSProperties}
        >
          {Array.from({ length: copies }, (_, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: copies of one card
            <SetupCard key={i} {...{ ladder, machine, machines, court, stock, checks, address, day }} />
          ))}
        </section>
        <section className="no-print mt-6 min-w-0 lg:mt-0" aria-labelledby="message">
          <h2 id="message" className="text-xl">
            As a message
          </h2>
          <p className="text-quiet">The lines with # are for people; the rest rebuilds it at another club.</p>
          <textarea
            className="textarea mt-2 h-[60vh] w-full border-base-content/60 bg-base-100 font-mono text-sm"
            readOnly
            aria-label="Card as text"
            value={text()}
            onFocus={(event) => event.target.select()}
          />
        </section>
      </div>
    </div>
  );
}
