import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { show } from '../../tests/onScreen';
import { MeasureScreen } from '../MeasureScreen';
import * as files from '../../data/files';
import * as pictures from './openPicture';

/** Keeps a reading; where the other side is next, it says so. */
const SAVE = /^Save(, other side)?$/;

jest.mock('./openPicture');
jest.mock('../../data/files');

const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const picture: pictures.Picture = {
  url: 'blob:one',
  blob: new Blob(['x']),
  widthPx: 1600,
  heightPx: 1200,
};

beforeEach(() => {
  URL.revokeObjectURL = jest.fn();
  jest.mocked(files.chooseFile).mockResolvedValue(new File(['x'], 'side.jpg'));
  jest.mocked(pictures.openPicture).mockResolvedValue({ ok: true, picture });
  jest
    .mocked(pictures.smallCopy)
    .mockResolvedValue({ dataUrl: 'data:image/jpeg;base64,AA==', widthPx: 640, heightPx: 480 });
});

async function opened() {
  const shown = await show(<MeasureScreen id="p1" />);
  press(/^Hamstring ?left/);
  fireEvent.click(screen.getByRole('radio', { name: 'Knee lag from 90/90' }));
  fireEvent.click(screen.getByRole('radio', { name: 'Photo' }));
  press('Choose a picture');
  await act(async () => undefined);
  return shown;
}
/**
 * The board is laid out by the browser; here its handles are absent until it has a width, so the numbers are read from
 * the words.
 */
const angle = () =>
  Number(
    /^(-?\d+)° ± \d+$/.exec(
      screen
        .getAllByRole('status')
        .map(({ textContent }) => textContent ?? '')
        .find((text) => /^-?\d+° ± \d+$/.test(text)) ?? '',
    )?.[1],
  );

test('a picture gives an angle with its own error, kept with the reading, and is dropped', async () => {
  const { state } = await opened();
  await waitFor(() => expect(angle()).toBeGreaterThanOrEqual(0));
  press('Take this reading');
  await waitFor(() => expect(state().measuring.now?.entry?.values).toHaveLength(1));
  expect(URL.revokeObjectURL).toHaveBeenCalledWith('blob:one');
  fireEvent.change(screen.getByLabelText('Note'), { target: { value: 'seen twice' } });
  expect(state().measuring.now?.entry?.sems[0]).toBeGreaterThan(0.5);
  expect(state().pictures).toEqual({});
});

test('a reading that no person has is refused, and its picture stays to be marked again', async () => {
  await show(<MeasureScreen id="p1" />);
  press(/^Knee bend with a bent hip ?left/);
  fireEvent.click(screen.getByRole('radio', { name: 'Photo' }));
  press('Choose a picture');
  await waitFor(() => expect(angle()).toBeLessThan(60));
  press('Take this reading');
  expect(await screen.findByRole('alert')).toHaveTextContent(/outside what a person can show/);
  expect(URL.revokeObjectURL).not.toHaveBeenCalled();
  press('Drop the picture');
  expect(URL.revokeObjectURL).toHaveBeenCalledWith('blob:one');
});

test('a picture kept on purpose goes with its reading, and with its removal', async () => {
  const { state } = await opened();
  fireEvent.click(await screen.findByRole('checkbox', { name: /^Keep the picture/ }));
  press('Take this reading');
  await waitFor(() => expect(state().measuring.now?.entry?.values).toHaveLength(1));
  press(SAVE);
  await waitFor(() => expect(Object.values(state().pictures)).toHaveLength(1));
  const [kept] = Object.values(state().pictures);
  expect(state().readings[kept!.id]).toMatchObject({ method: 'photo' });
  expect(state().readings[kept!.id]!.sem).toBeGreaterThan(0.5);
  expect(kept!.points).toHaveLength(3);
  fireEvent.click(screen.getByRole('radio', { name: /^Left/ }));
  press(/^Remove the reading/);
  await waitFor(() => expect(state().pictures).toEqual({}));
});

test('a reading that is dropped takes its picture along', async () => {
  const { state } = await opened();
  fireEvent.click(await screen.findByRole('checkbox', { name: /^Keep the picture/ }));
  press('Take this reading');
  await waitFor(() => expect(state().measuring.now?.entry?.values).toHaveLength(1));
  press('Drop the last one');
  fireEvent.click(screen.getByRole('radio', { name: 'Protractor' }));
  fireEvent.change(screen.getByRole('textbox', { name: /^Reading 1/ }), {
    target: { value: '30' },
  });
  press(SAVE);
  await waitFor(() => expect(Object.values(state().readings)).toHaveLength(3));
  expect(state().pictures).toEqual({});
});

test('a file that is no picture says so', async () => {
  jest
    .mocked(pictures.openPicture)
    .mockResolvedValue({ ok: false, words: 'This file is no picture. Choose a JPEG.' });
  await opened();
  expect(await screen.findByRole('alert')).toHaveTextContent('This file is no picture');
});

test('choosing nothing changes nothing', async () => {
  jest.mocked(files.chooseFile).mockResolvedValue(null);
  await opened();
  expect(screen.getByRole('button', { name: 'Choose a picture' })).toBeInTheDocument();
});

test('a camera that is refused says what to do instead', async () => {
  Object.defineProperty(navigator, 'mediaDevices', {
    configurable: true,
    value: {
      getUserMedia: () =>
        Promise.reject(Object.assign(new Error('no'), { name: 'NotAllowedError' })),
    },
  });
  await show(<MeasureScreen id="p1" />);
  press(/^Knee bend with a bent hip ?left/);
  fireEvent.click(screen.getByRole('radio', { name: 'Photo' }));
  press('Open the camera');
  expect(await screen.findByRole('alert')).toHaveTextContent(
    /was not allowed to use the camera.*choose a picture instead/,
  );
  press('Close the camera');
  expect(screen.getByRole('button', { name: 'Open the camera' })).toBeInTheDocument();
});
