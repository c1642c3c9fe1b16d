import { Text, View } from '@react-pdf/renderer';
import {
  isGood,
  playSheet,
  resultsOf,
  resultWords,
  type JobRecord,
  type JobState,
  type SheetLine,
} from '@holotonos/core';
import { HeadPdf, type Pictured } from './HeadPdf';
import { inPrint, Part, Sheet, styles } from './sheet';

const box = { width: 9, height: 9, borderWidth: 1, borderColor: '#241a17', marginRight: 4, marginTop: 2 } as const;

/** How a line came out, or a box for each way it can. */
function Outcome({ line, done }: { line: SheetLine; done: ReturnType<JobState['tested']['get']> }) {
  if (done && !done.stale)
    return <Text style={{ fontWeight: isGood(done.result) ? 400 : 700 }}>{resultWords[done.result]}</Text>;
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 2 }}>
      {resultsOf[line.kind].map((result) => (
        <View key={result} style={{ flexDirection: 'row', marginRight: 6 }}>
          <View style={box} />
          <Text>{resultWords[result]}</Text>
        </View>
      ))}
    </View>
  );
}

/** The play test to stand beside the music: what was gone through as it came out, the rest with boxes to tick. */
export function PlayTestPdf({
  record,
  tested,
  pictured,
}: {
  record: JobRecord;
  tested: JobState['tested'];
  pictured: Pictured;
}) {
  const sheet = playSheet(pictured.type);
  const isDone = ({ id }: SheetLine) => tested.get(id)?.stale === null;
  const done = sheet.filter(isDone).length;
  return (
    <Sheet title="play test" ticket={record.ticket}>
      <HeadPdf title={`${record.ticket}: play test, ${record.instrument}`} pictured={pictured}>
        <Text>
          {record.intake.owner}. {sheet.length} lines, {done} gone through.
        </Text>
        <Text style={styles.soft}>
          Play it as its owner would, with the lightest fingers. Leave reed or head joint where the owner has it; clean
          what goes to the mouth first.
        </Text>
      </HeadPdf>
      <Part title="Line by line">
        {sheet.map((line, i) => (
          <View key={line.id} style={styles.row} wrap={false}>
            <Text style={{ width: 22 }}>{i + 1}</Text>
            <View style={{ flex: 1, paddingRight: 10 }}>
              <Text style={{ fontWeight: 700 }}>{inPrint(line.play)}</Text>
              <Text style={styles.soft}>Listen: {inPrint(line.listen)}.</Text>
            </View>
            <View style={{ width: 190 }}>
              <Outcome line={line} done={tested.get(line.id)} />
            </View>
          </View>
        ))}
      </Part>
    </Sheet>
  );
}
