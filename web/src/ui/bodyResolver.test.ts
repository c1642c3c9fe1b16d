import { describe, expect, test } from '@jest/globals';
import { bodyResolver, withoutBlanks } from './bodyResolver';

describe('the resolver of the intake form', () => {
  const good = {
    ticket: 'LL-9',
    owner: 'The band',
    instrumentType: 'oboe',
    family: 'oboe',
    practice: 'steady',
    scope: 'repair',
    unit: 'mm',
  };
  const resolve = (values: Record<string, unknown>) =>
    bodyResolver<Record<string, unknown>>('intake', { ticket: 'Give it a number.' })(values, undefined, {
      fields: {},
      shouldUseNativeValidation: false,
    });

  test('leaves out what was left empty', async () => {
    expect(withoutBlanks({ a: '', b: 'x', c: false, d: undefined })).toEqual({ b: 'x', c: false });
    expect(await resolve({ ...good, maker: '', dueBy: '' })).toEqual({ values: good, errors: {} });
  });
  test('puts each problem at its field, in our words where there are some', async () => {
    const { errors } = await resolve({ ...good, ticket: '!', owner: '', dueBy: 'soon' });
    expect(Object.keys(errors).sort()).toEqual(['dueBy', 'owner', 'ticket']);
    expect(errors).toMatchObject({ ticket: { message: 'Give it a number.' }, owner: { message: 'This is required' } });
  });
});
