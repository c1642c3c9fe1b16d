/** @jest-environment jsdom */
import { afterEach, expect, test } from '@jest/globals';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useTypedForm, type Wrong } from '@/ui/useTypedForm';
import { TypedCheck, TypedChoice, TypedEnd, TypedText, TypedTicks } from '@/ui/typedFields';

const start = { name: 'Low E', kind: 'pad' as 'pad' | 'cork', skills: ['keys'] as ('keys' | 'pads')[], own: false };
type Typed = typeof start;

let answer: (typed: Typed) => Wrong<Typed> | Promise<Wrong<Typed>> = () => null;
const sent: Typed[] = [];
afterEach(() => {
  cleanup();
  sent.length = 0;
  answer = () => null;
});

function Sample() {
  const { control, submit, problem, taken } = useTypedForm(
    start,
    (typed) => {
      sent.push(typed);
      return answer(typed);
    },
    ({ setValue }) => setValue('name', ''),
  );
  return (
    <form aria-label="sample" onSubmit={submit}>
      <TypedText control={control} name="name" label="Name" wrongBy="wrong" tidy={(typed) => typed.trimStart()} />
      <TypedChoice
        control={control}
        name="kind"
        label="Kind"
        choices={[
          ['pad', 'a pad'],
          ['cork', 'a cork'],
        ]}
      />
      <TypedTicks
        control={control}
        name="skills"
        label="Skills"
        choices={[
          ['keys', 'keys'],
          ['pads', 'pads'],
        ]}
      />
      <TypedCheck control={control} name="own" label="Own hours" />
      {taken && <p role="status">Kept.</p>}
      <TypedEnd control={control} needs={['name']} action="Keep" onBack={() => undefined} problem={problem} />
    </form>
  );
}
const name = () => screen.getByLabelText<HTMLInputElement>('Name');
const type = (text: string) => fireEvent.change(name(), { target: { value: text } });
const press = (words: string) => act(async () => void fireEvent.click(screen.getByRole('button', { name: words })));

test('what is typed and chosen is sent as it stands, once, and the next starts as it was asked to', async () => {
  render(<Sample />);
  type('  Low F');
  fireEvent.change(screen.getByLabelText('Kind'), { target: { value: 'cork' } });
  fireEvent.click(screen.getByLabelText('pads'));
  fireEvent.click(screen.getByLabelText('keys'));
  fireEvent.click(screen.getByLabelText('Own hours'));
  await press('Keep');
  expect(sent).toEqual([{ name: 'Low F', kind: 'cork', skills: ['pads'], own: true }]);
  expect(screen.getByRole('status').textContent).toBe('Kept.');
  expect(name().value).toBe('');
  // Nothing is sent of what wants filling.
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Keep' }).disabled).toBe(true);
});

test('what is wrong is said, of the whole or at its field, nothing typed is lost, and the next time it is asked anew', async () => {
  render(<Sample />);
  answer = () => 'It did not get through.';
  type('Low F');
  await press('Keep');
  expect(screen.getByRole('alert').textContent).toBe('It did not get through.');
  expect(name().getAttribute('aria-describedby')).toBeNull();
  answer = () => ({ at: 'name', words: 'There is one of that name.' });
  await press('Keep');
  expect(screen.getByRole('alert').textContent).toBe('There is one of that name.');
  expect(name().getAttribute('aria-describedby')).toBe('wrong');
  expect(document.activeElement).toBe(name());
  expect(name().value).toBe('Low F');
  answer = () => null;
  await press('Keep');
  expect([screen.queryByRole('alert'), name().getAttribute('aria-describedby')]).toEqual([null, null]);
  expect(sent).toHaveLength(3);
});

test('pressed again while it is under way it is not sent twice', async () => {
  let letGo = (_: null) => undefined as void;
  answer = () => new Promise((resolve) => (letGo = resolve));
  render(<Sample />);
  await press('Keep');
  await press('Keep');
  expect(sent).toHaveLength(1);
  await act(async () => letGo(null));
  expect(screen.getByRole('status').textContent).toBe('Kept.');
});
