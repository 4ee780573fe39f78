import regular from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?url';
import bold from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?url';
import { flightsOf, planOf, type RungDocument, type Sport } from '@good-arc/core';
import { Document, Font, Line, Page, Path, Polyline, pdf, Rect, StyleSheet, Svg, Text, View } from '@react-pdf/renderer';
import { qrPath } from '../../ui/qrPath.ts';
import { rulerScale } from '../../ui/scale.ts';
import { boxIn } from '../../ui/targetBox.ts';
import type { CardWords } from './describe.ts';
import { drawn } from './drawn.ts';

/** Loaded only when a PDF is asked for: half a megabyte of library. */

Font.register({ family: 'Card', fonts: [{ src: regular }, { src: bold, fontWeight: 700 }] });
Font.registerHyphenationCallback((word) => [word]);

const styles = StyleSheet.create({
  page: { fontFamily: 'Card', fontSize: 10.5, lineHeight: 1.3, padding: 32 },
  row: { flexDirection: 'row' },
  head: { flexDirection: 'row', justifyContent: 'space-between', gap: 12 },
  title: { fontSize: 20, fontWeight: 700, lineHeight: 1.1, marginBottom: 3 },
  bold: { fontWeight: 700 },
  box: { flex: 1, borderWidth: 1.2, padding: 5 },
  small: { fontSize: 8.5 },
  value: { fontSize: 16, fontWeight: 700, lineHeight: 1.2 },
  line: { flexDirection: 'row', borderBottomWidth: 0.8, paddingVertical: 3 },
});
const CELLS = ['5%', '35%', '17%', '20%', '11%', '12%'] as const;
/** Where a rung says the dials of several balls. */
const CELLS_OF_BALLS = ['4%', '22%', '43%', '10%', '10%', '11%'] as const;

/** Signs the font does not have, in ones it has. */
const plain = (text: string): string =>
  text.replace(/(\d?)([⅓⅔⅛⅜⅝⅞])/g, (_, whole: string, sign: string) => `${whole}${whole ? ' ' : ''}${FRACTIONS[sign]}`);
const FRACTIONS: Record<string, string> = { '⅓': '1/3', '⅔': '2/3', '⅛': '1/8', '⅜': '3/8', '⅝': '5/8', '⅞': '7/8' };

type Paper = 'A4' | 'LETTER' | 'A6';

/** A little smaller each time, until all of it is on one page. */
const SMALLER = 0.93;
const TRIES = 10;

/** A card as a PDF of one page. @param paper react-pdf's name of the size @param address that opens it */
export async function cardPdf(words: CardWords, rung: RungDocument, sport: Sport, paper: Paper, address: string): Promise<Blob> {
  let scaleBy = paper === 'A6' ? 0.56 : 1;
  let file = await drawCard(words, rung, sport, paper, address, scaleBy);
  for (let i = 0; i < TRIES && (await pagesOf(file)) > 1; i++) {
    scaleBy *= SMALLER;
    file = await drawCard(words, rung, sport, paper, address, scaleBy);
  }
  return file;
}

const pagesOf = async (file: Blob): Promise<number> => (await file.text()).match(/\/Type \/Page\b/g)?.length ?? 0;

function drawCard(words: CardWords, rung: RungDocument, sport: Sport, paper: Paper, address: string, scaleBy: number): Promise<Blob> {
  const isPocket = paper === 'A6';
  const several = words.rows.some(({ feeds }) => feeds.length > 0);
  const widths = several ? CELLS_OF_BALLS : CELLS;
  const { size, path } = qrPath(address);
  const sizes = { fontSize: 10.5 * scaleBy, padding: 32 * scaleBy };
  return pdf(
    <Document title={words.title} creator="Good Arc" producer="Good Arc">
      <Page size={paper} style={[styles.page, sizes]}>
        <View style={styles.head}>
          <View style={{ flex: 1 }}>
            <Text style={[styles.title, { fontSize: 20 * scaleBy }]}>{plain(words.title)}</Text>
            <Text>{plain(words.under)}</Text>
          </View>
          <Svg viewBox={`0 0 ${size} ${size}`} style={{ width: 62 * scaleBy, height: 62 * scaleBy }}>
            <Path d={path} fill="#000" />
          </Svg>
        </View>
        <Drawing rung={rung} sport={sport} />
        <Text style={{ marginTop: 4 }}>
          {words.places.map(([what, where]) => (
            <Text key={what}>
              <Text style={styles.bold}>{what}</Text> {plain(where)}{' '}
            </Text>
          ))}
        </Text>
        <View style={[styles.row, { gap: 6, marginVertical: 6 * scaleBy }]}>
          {words.boxes.map(({ name, value, under }) => (
            <View key={name} style={[styles.box, { padding: 5 * scaleBy }]}>
              <Text style={{ fontSize: 8.5 * scaleBy }}>{plain(name)}</Text>
              <Text style={[styles.value, { fontSize: 16 * scaleBy }]}>{plain(value)}</Text>
              <Text style={{ fontSize: 8.5 * scaleBy }}>{plain(under)}</Text>
            </View>
          ))}
        </View>
        <Row
          widths={widths}
          cells={['', 'rung', several ? 'dials, turn' : 'dials', several ? 'every' : 'turn · every', 'balls', 'climb at']}
        />
        {words.rows.map(({ number, name, focalPoint, dials, turn, every, balls, gate, feeds }) => (
          <Row
            key={number}
            widths={widths}
            cells={[
              String(number),
              focalPoint && !isPocket ? `${name}\n${focalPoint}` : name,
              feeds.length === 0
                ? several
                  ? `${dials}, ${turn}`
                  : dials
                : feeds.map((feed) => `${feed.name}: ${feed.dials}, ${feed.turn}`).join('\n'),
              several ? every : `${turn} · ${every}`,
              balls,
              gate,
            ]}
          />
        ))}
        <View style={[styles.row, { gap: 14, marginTop: 6 * scaleBy }]}>
          {!isPocket && (
            <View style={{ flex: 1 }}>
              <Ticks title="Before" items={words.before} />
            </View>
          )}
          <View style={{ flex: 1 }}>
            {!isPocket && <Ticks title="After" items={words.after} />}
            <Text style={styles.bold}>Take care</Text>
            {words.safety ? <Text style={styles.bold}>{plain(words.safety)}</Text> : null}
            <Text>{words.care}</Text>
          </View>
        </View>
        <Text style={{ marginTop: 8 * scaleBy, borderTopWidth: 1, paddingTop: 3 }}>
          Wind ______ Ball age ______ Scores: {words.scores.join('   ')}
        </Text>
      </Page>
    </Document>,
  ).toBlob();
}

const Row = ({ cells, widths }: { cells: readonly string[]; widths: readonly string[] }) => (
  <View style={styles.line} wrap={false}>
    {cells.map((cell, i) => (
      // biome-ignore lint/suspicious/noArrayIndexKey: columns
      <Text key={i} style={{ width: widths[i]!, paddingRight: 4, fontWeight: i === 0 ? 700 : 400 }}>
        {plain(cell)}
      </Text>
    ))}
  </View>
);

const Ticks = ({ title, items }: { title: string; items: readonly string[] }) => (
  <View>
    <Text style={styles.bold}>{title}</Text>
    {items.map((item) => (
      <View key={item} style={[styles.row, { gap: 4, alignItems: 'center' }]}>
        <Svg viewBox="0 0 8 8" style={{ width: 7, height: 7 }}>
          <Rect x={0.5} y={0.5} width={7} height={7} stroke="#000" strokeWidth={1} fill="none" />
        </Svg>
        <Text>{plain(item)}</Text>
      </View>
    ))}
  </View>
);

const WIDTH = 530;
const PROFILE = 62;

/** The court from above and the flight from the side, on one length axis. */
function Drawing({ rung, sport }: { rung: RungDocument; sport: Sport }) {
  const plan = planOf({ sport, target: rung.feeds[0]!.target });
  const scale = rulerScale(plan, WIDTH, 190);
  const { feeds, places, balls, targets } = drawn(rung, plan);
  const { along, across, planHeight } = scale;
  const height = planHeight + PROFILE;
  const paths = flightsOf({ ...rung, feeds }).map(({ flight }) => flight.path);
  const highest = Math.max(1.6, ...paths.flatMap((path) => path.map(([, , , z]) => z)));
  const perUp = Math.min(scale.perM * 2.2, (PROFILE - 6) / highest);
  return (
    <Svg viewBox={`0 0 ${WIDTH} ${height}`} style={{ width: '100%', marginTop: 6 }}>
      {plan.lines.map(({ name, x1, y1, x2, y2 }) => (
        <Line key={name} x1={along(y1)} y1={across(x1)} x2={along(y2)} y2={across(x2)} stroke="#000" strokeWidth={1.1} />
      ))}
      {plan.net && (
        <Line
          x1={along(0)}
          x2={along(0)}
          y1={across(plan.net.edgeX_m + 0.4)}
          y2={across(-plan.net.edgeX_m - 0.4)}
          stroke="#000"
          strokeWidth={2.6}
        />
      )}
      {balls.map(({ from, to }, i) => (
        <Line
          // biome-ignore lint/suspicious/noArrayIndexKey: balls have no other identity
          key={i}
          x1={along(from.y)}
          y1={across(from.x)}
          x2={along(to.y)}
          y2={across(to.x)}
          stroke="#000"
          strokeWidth={1.3}
          strokeDasharray="6 4"
        />
      ))}
      {places.map(({ x, y }) => (
        <Rect key={`${x} ${y}`} x={along(y) - 8} y={across(x) - 6} width={16} height={12} fill="#000" />
      ))}
      {targets.map(({ target }) => (
        <Rect key={`${target.x} ${target.y}`} {...boxIn(target, scale)} stroke="#000" strokeWidth={1.8} fill="none" />
      ))}
      <Rect
        x={along(rung.player.start.y) - 5}
        y={across(rung.player.start.x) - 5}
        width={10}
        height={10}
        rx={5}
        ry={5}
        stroke="#000"
        strokeWidth={1.8}
        fill="#fff"
      />
      <Line x1={0} x2={WIDTH} y1={height - 2} y2={height - 2} stroke="#000" strokeWidth={1} />
      {paths.map((path, i) => (
        <Polyline
          // biome-ignore lint/suspicious/noArrayIndexKey: balls have no other identity
          key={i}
          points={path.map(([, , y, z]) => `${along(y).toFixed(1)},${(height - 2 - z * perUp).toFixed(1)}`).join(' ')}
          stroke="#000"
          strokeWidth={1.5}
          fill="none"
        />
      ))}
    </Svg>
  );
}
