import { Text, View } from '@react-pdf/renderer';
import { boardCells, removableNames, removableParts, placeWords, type JobState, type OffPart } from '@holotonos/core';
import { HeadPdf, type Pictured } from './HeadPdf';
import { inPrint, Lines, Part, Sheet, styles } from './sheet';

const line = { borderWidth: 0.5, borderColor: '#6d757a' } as const;

/** The screw board as it lies on the bench, place by place, to hang beside it. */
export function BoardPdf({
  ticket,
  board,
  off: partsOff,
  pictured,
}: {
  ticket: string;
  board: JobState['board'];
  off: readonly OffPart[];
  pictured: Pictured;
}) {
  const { type } = pictured;
  const { rows, columns } = board;
  const names = removableNames(type);
  const parts = new Map(removableParts(type).map((part) => [part.id, part]));
  const byCell = new Map(partsOff.map((off) => [off.cell, off]));
  const elsewhere = partsOff.filter(({ cell }) => cell === null);
  const cells = boardCells(board);
  const size = columns > 16 ? 5.5 : columns > 10 ? 7 : 8.5;
  return (
    <Sheet title="screw board" ticket={ticket} wide>
      <HeadPdf title={`${ticket}: screw board, ${type.name}`} pictured={pictured}>
        <Text style={styles.soft}>
          {partsOff.length} parts off. * is not interchangeable, or belongs to one end only: keep it where it lies.
        </Text>
      </HeadPdf>
      <View style={{ marginTop: 6 }}>
        {Array.from({ length: rows }, (_, row) => (
          <View key={row} style={{ flexDirection: 'row' }} wrap={false}>
            {cells.slice(row * columns, (row + 1) * columns).map((cell) => {
              const off = byCell.get(cell);
              const apart = off && parts.get(off.part)?.keepApart ? ' *' : '';
              return (
                <View key={cell} style={{ ...line, flex: 1, minHeight: 36, padding: 2 }}>
                  <Text style={{ fontSize: 6, color: '#4b4441' }}>{cell}</Text>
                  <Text style={{ fontSize: size }}>
                    {off ? inPrint(`${names.get(off.part) ?? off.part}${apart}`) : ''}
                  </Text>
                </View>
              );
            })}
          </View>
        ))}
      </View>
      {elsewhere.length > 0 && (
        <Part title="Not on the board">
          <Lines
            lines={elsewhere.map((off) => `${names.get(off.part) ?? off.part}: ${placeWords(off)}`)}
            empty="None."
          />
        </Part>
      )}
    </Sheet>
  );
}
