/** @jest-environment jsdom */
import { beforeEach, describe, expect, jest, test } from '@jest/globals';
import type { Uploaded } from '../../src/photos/uploadPhoto';

const write = jest.fn<(kind: string, body: object) => boolean>(() => true);
const upload = jest.fn<(ticket: string, id: string, file: File) => Promise<Uploaded>>();
jest.unstable_mockModule('@/job/JobContext', () => ({ useJob: () => ({ ticket: 'T-1', write }) }));
jest.unstable_mockModule('@/photos/uploadPhoto', () => ({ uploadPhoto: upload }));
jest.unstable_mockModule('../../src/photos/uploadPhoto', () => ({ uploadPhoto: upload }));
const { cleanup, fireEvent, render, screen, waitFor } = await import('@testing-library/react');
const { PhotoTaker } = await import('../../src/photos/PhotoTaker');

beforeEach(() => {
  cleanup();
  write.mockClear();
  upload.mockReset();
});
const picture = new File(['x'], 'neck.jpg', { type: 'image/jpeg' });
const taken = { photo: 'p-1', width: 40, height: 30 };
const about = { part: 'neck', caption: 'as it came' };
const choose = (label: string, file = picture) => {
  const input = screen.getByLabelText<HTMLInputElement>(label);
  fireEvent.change(input, { target: { files: [file] } });
  return input;
};

describe('a picture that is taken', () => {
  test('is sent, and what it is of is written down with it', async () => {
    upload.mockResolvedValue({ ok: true, taken });
    render(<PhotoTaker about={about} />);
    choose('Photo: choose a picture');
    await waitFor(() => expect(write).toHaveBeenCalledWith('photo', { ...taken, ...about }));
    expect(upload.mock.calls[0]?.slice(0, 1)).toEqual(['T-1']);
    expect(upload.mock.calls[0]?.[2]).toBe(picture);
  });
  test('comes straight from the camera at the back where there is one', async () => {
    upload.mockResolvedValue({ ok: true, taken });
    render(<PhotoTaker about={about} words="Take a picture" />);
    const input = screen.getByLabelText<HTMLInputElement>('Take a picture: by the camera');
    expect([input.getAttribute('capture'), input.accept]).toEqual(['environment', 'image/jpeg,image/png,image/webp']);
    expect(screen.getByLabelText('Take a picture: choose a picture').getAttribute('capture')).toBeNull();
    const opened = jest.spyOn(input, 'click').mockImplementation(() => undefined);
    fireEvent.click(screen.getByRole('button', { name: 'Take a picture, by the camera' }));
    expect(opened).toHaveBeenCalledTimes(1);
    choose('Take a picture: by the camera');
    await waitFor(() => expect(write).toHaveBeenCalledTimes(1));
  });
  test('that did not go is said and sent again under the same name, once it can go', async () => {
    upload.mockResolvedValueOnce({ ok: false, problem: 'The server does not answer.', again: true });
    render(<PhotoTaker about={about} />);
    choose('Photo: choose a picture');
    expect((await screen.findByRole('alert')).textContent).toContain('The server does not answer.');
    expect(write).not.toHaveBeenCalled();
    upload.mockResolvedValueOnce({ ok: true, taken });
    fireEvent.click(screen.getByRole('button', { name: 'Send it again' }));
    await waitFor(() => expect(write).toHaveBeenCalledTimes(1));
    expect(upload.mock.calls[1]?.[1]).toBe(upload.mock.calls[0]?.[1]);
    expect(screen.queryByRole('alert')).toBeNull();
  });
  test('that the server will not have is not offered again', async () => {
    upload.mockResolvedValueOnce({ ok: false, problem: 'It is no picture.', again: false });
    render(<PhotoTaker about={about} />);
    choose('Photo: choose a picture');
    expect((await screen.findByRole('alert')).textContent).toBe('It is no picture. ');
    expect(screen.queryByRole('button', { name: 'Send it again' })).toBeNull();
  });
  test('nothing chosen sends nothing', () => {
    render(<PhotoTaker about={about} />);
    fireEvent.change(screen.getByLabelText('Photo: choose a picture'), { target: { files: [] } });
    expect(upload).not.toHaveBeenCalled();
  });
});
