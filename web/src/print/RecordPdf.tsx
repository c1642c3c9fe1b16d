import { Image, Text, View } from '@react-pdf/renderer';
import { clockWords, printPhrase, type JobRecord, type LengthUnit, type PhotoState } from '@holotonos/core';
import { figureText, limitText, lookWords, ruleLines, readOnlyWords, rowWords } from '@/job/recordWords';
import { minutesText } from '@/ui/words';
import { Dial } from './Dial';
import { HeadPdf, type Pictured } from './HeadPdf';
import { inPrint, Lines, Part, Sheet, styles } from './sheet';

/** One photograph, with the day it was taken and its words. */
function Photo({ photo, bytes, day }: { photo: PhotoState; bytes: Uint8Array | undefined; day: string }) {
  const words = [day, photo.caption.trim()].filter((part) => part !== '').join(': ');
  return (
    <View style={{ width: '48%', marginRight: '2%' }}>
      {/* A picture in a PDF has no alternative text; its words stand under it. */}
      {bytes && (
        <Image src={{ data: Buffer.from(bytes), format: 'jpg' }} style={{ height: 120, objectFit: 'contain' }} />
      )}
      <Text style={styles.soft}>{inPrint(words)}</Text>
    </View>
  );
}

/**
 * The record that goes home with the instrument.
 *
 * @param photos thumbnails of what is pictured in it, by id; one that is not there leaves its words
 */
export function RecordPdf({
  record,
  pictured,
  unit,
  timeZone,
  photos = new Map(),
}: {
  record: JobRecord;
  pictured: Pictured;
  unit: LengthUnit;
  timeZone: string;
  photos?: ReadonlyMap<string, Uint8Array>;
}) {
  const { dayText } = clockWords(timeZone);
  const { intake, signOff } = record;
  const cell = { width: '19%' } as const;
  return (
    <Sheet title="record" ticket={record.ticket}>
      <HeadPdf title={record.instrument} pictured={pictured}>
        <Text>
          {[
            intake.maker,
            intake.model,
            intake.serial && `no. ${intake.serial}`,
            intake.made,
            intake.material,
            intake.finish,
          ]
            .filter(Boolean)
            .join(', ')}
        </Text>
        <Text style={styles.soft}>
          {intake.owner}. Taken in {dayText(record.openedAt)}. Practice: {record.practice.title}.{' '}
          {record.practice.holds}
        </Text>
      </HeadPdf>
      <Part title="Intake">
        <Lines
          lines={
            [
              intake.complaint && `What was wrong: ${intake.complaint}`,
              intake.testPlay && `Test play: ${intake.testPlay}`,
              intake.mayChange && `What may be changed: ${intake.mayChange}`,
            ].filter((line) => typeof line === 'string' && line !== '') as string[]
          }
          empty="No complaint was written down."
        />
      </Part>
      <Part title="Found">
        <Lines
          lines={record.found.map((f) => `${f.title}, ${f.place}: ${f.statusWord}${f.note ? `. ${f.note}` : ''}`)}
          empty="Nothing."
        />
      </Part>
      <Part title="Done">
        <Lines
          lines={record.done.map(
            (d) =>
              `${d.title} (${dayText(d.at)}, ${d.by}${d.minutes > 0 ? `, ${minutesText(d.minutes)}` : ''})${d.note ? `. ${d.note}` : ''}`,
          )}
          empty="Nothing."
        />
      </Part>
      <Part title="Figures, before and after">
        {record.figures.length + record.readOnly.length === 0 && <Text>Nothing was measured.</Text>}
        {record.figures.length > 0 && (
          <View style={styles.row} wrap={false}>
            <Text style={{ width: '43%', fontWeight: 700 }}>Measure</Text>
            <Text style={{ ...cell, fontWeight: 700 }}>Before</Text>
            <Text style={{ ...cell, fontWeight: 700 }}>After</Text>
            <Text style={{ ...cell, fontWeight: 700 }}>Limit</Text>
          </View>
        )}
        {record.figures.map((row) => (
          <View key={`${row.group} ${row.part} ${row.id}`} style={styles.row} wrap={false}>
            <Text style={{ width: '43%' }}>{inPrint(rowWords(row))}</Text>
            <Text style={cell}>{figureText(row.before, row.unit, unit)}</Text>
            <Text style={cell}>
              {figureText(row.after, row.unit, unit)}
              {row.stale ? ' (stale)' : ''}
            </Text>
            <Text style={cell}>{limitText(row.limit, row.unit, unit)}</Text>
          </View>
        ))}
        {record.readOnly.length > 0 && <Lines lines={record.readOnly.map(readOnlyWords)} empty="" />}
      </Part>
      {record.looks.length > 0 && (
        <Part title="Looked at, without a figure">
          <Lines lines={record.looks.map((look) => lookWords(look, unit))} empty="" />
        </Part>
      )}
      {record.adjusted.length > 0 && (
        <Part title="Adjusters that were set">
          <Lines lines={record.adjusted.map(({ says }) => printPhrase(says, unit))} empty="" />
        </Part>
      )}
      {record.plays.length > 0 && (
        <Part title="How it plays">
          <Lines lines={record.plays} empty="" />
        </Part>
      )}
      {record.given.length > 0 && (
        <Part title="What it was given">
          <Lines lines={record.given.map((said) => printPhrase(said, unit))} empty="" />
        </Part>
      )}
      {record.finish.length > 0 && (
        <Part title="Finish">
          <Lines lines={record.finish} empty="" />
        </Part>
      )}
      {record.rules && (
        <Part title="How the keys close together">
          <Lines lines={ruleLines(record.rules, unit)} empty="" />
        </Part>
      )}
      {record.lights.length > 0 && (
        <Part title="Leak light, first and last">
          {record.lights.map(({ part, place, first, last }) => (
            <View
              key={part}
              style={{ flexDirection: 'row', alignItems: 'center', gap: 5, marginBottom: 2 }}
              wrap={false}
            >
              <Dial sectors={first.sectors} size={20} />
              {last && <Dial sectors={last.sectors} size={20} />}
              <Text>
                {inPrint(`${place}: ${first.title.toLowerCase()}${last ? `, then ${last.title.toLowerCase()}` : ''}`)}
              </Text>
            </View>
          ))}
        </Part>
      )}
      {record.photos.length > 0 && (
        <Part title="Photographs, first and last">
          {record.photos.map(({ key, title, first, last }) => (
            <View key={key} style={{ marginBottom: 6 }} wrap={false}>
              <Text>{inPrint(title)}</Text>
              <View style={{ flexDirection: 'row' }}>
                {[first, ...(last ? [last] : [])].map((photo) => (
                  <Photo
                    key={photo.photo}
                    photo={photo}
                    bytes={photos.get(photo.photo)}
                    day={dayText(photo.benchTime)}
                  />
                ))}
              </View>
            </View>
          ))}
        </Part>
      )}
      <Part title="Left, and why">
        <Lines lines={record.left.map(({ what, why }) => `${what}. ${why}`)} empty="Nothing." />
      </Part>
      {record.agreed.length > 0 && (
        <Part title="Agreed with the owner">
          <Lines lines={record.agreed.map(({ what, note, at }) => `${what}. ${note} (${dayText(at)})`)} empty="" />
        </Part>
      )}
      <Part title="Decisions">
        <Lines
          lines={record.decisions.map(({ what, why, by, at }) => `${what} ${why} (${by}, ${dayText(at)})`)}
          empty="None written down."
        />
      </Part>
      <Part title="For the owner">
        <Lines lines={record.ownerCautions} empty="No special cautions." />
      </Part>
      <Part title="Time and signature">
        <Text>
          {minutesText(record.minutes)} of work.{' '}
          {signOff
            ? `Signed by ${signOff.by}, ${dayText(signOff.at)}.${signOff.checkUp ? ` Next check-up ${dayText(signOff.checkUp)}.` : ''}`
            : 'Not signed yet.'}
        </Text>
        {signOff?.summary ? <Text>{signOff.summary}</Text> : null}
      </Part>
    </Sheet>
  );
}
