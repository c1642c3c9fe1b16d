'use client';

import { useId, useState } from 'react';
import { Button, Form } from '@/ui/bootstrap';
import { useJob } from '@/job/JobContext';

export function BoardSize() {
  const { state, write } = useJob();
  const id = useId();
  const [rows, setRows] = useState(String(state.board.rows));
  const [columns, setColumns] = useState(String(state.board.columns));
  return (
    <form
      className="d-flex flex-wrap gap-2 align-items-end mt-2"
      onSubmit={(event) => {
        event.preventDefault();
        write('board', { rows: Number(rows), columns: Number(columns) });
      }}
    >
      {(
        [
          ['Rows', rows, setRows, 26],
          ['Columns', columns, setColumns, 40],
        ] as const
      ).map(([label, value, set, most]) => (
        <div key={label}>
          <Form.Label htmlFor={`${id}-${label}`} className="mb-0">
            {label}
          </Form.Label>
          <Form.Control
            id={`${id}-${label}`}
            type="number"
            min={1}
            max={most}
            style={{ width: '6rem' }}
            value={value}
            onChange={(event) => set(event.target.value)}
          />
        </div>
      ))}
      <Button type="submit" variant="quiet">
        My board is this large
      </Button>
    </form>
  );
}
