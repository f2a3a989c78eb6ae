import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { show } from '../../tests/onScreen';
import { MeasureScreen } from '../MeasureScreen';
import { SimulatedDial } from './SimulatedDial';
import { Dial, momentOf, simulatedSensor } from './sources';
import { upFrom, type TiltSample } from '@/core/measure/tilt';

/** Keeps a reading; where the other side is next, it says so. */
const SAVE = /^Save(, other side)?$/;

const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
/**
 * Presses between the moments of a sensor until it has told enough. Not inside `waitFor`: what a press changes on the
 * page would ask again at once, and no moment would ever come.
 */
async function pressUntil(name: string, done: () => boolean) {
  for (let tries = 0; tries < 300 && !done(); tries++) {
    press(name);
    await act(() => new Promise((passed) => setTimeout(passed, 50)));
  }
  expect(done()).toBe(true);
}
let clock = 0;

beforeEach(() => {
  clock = 0;
  Object.assign(window, { isSecureContext: true, DeviceOrientationEvent: class extends Event {} });
});
afterEach(() => {
  delete (window as { DeviceOrientationEvent?: unknown }).DeviceOrientationEvent;
});

/** The phone turned so for so long, as a browser would tell it. */
function turned(betaDeg: number, forMs: number, gammaDeg = 0) {
  act(() => {
    for (let ms = 0; ms < forMs; ms += 20) {
      const event = new Event('deviceorientation');
      clock += 20;
      Object.defineProperties(event, {
        beta: { value: betaDeg },
        gamma: { value: gammaDeg },
        timeStamp: { value: clock },
      });
      window.dispatchEvent(event);
    }
  });
}

async function started() {
  const shown = await show(<MeasureScreen id="p1" />);
  press(/^Hamstring ?left/);
  fireEvent.click(screen.getByRole('radio', { name: 'Phone tilt' }));
  press('Start the phone’s sensor');
  turned(1, 700);
  return shown;
}
const hamstrings = (state: Awaited<ReturnType<typeof show>>['state']) =>
  Object.values(state().readings).filter(({ range }) => range === 'hamstring');

test('zeroed on the floor, two raises that agree are read and kept without a tap, then the other side', async () => {
  const { state } = await started();
  press('Zero on the floor');
  // Two pauses on the way up are no end, whatever they agree on.
  for (const deg of [40, 41, 63]) turned(deg, 1700);
  expect(screen.getByText(/^62° held: bring it back, and it is read/)).toBeInTheDocument();
  expect(state().measuring.now?.entry?.values).toEqual([]);
  turned(1, 1700);
  expect(state().measuring.now?.entry?.values).toHaveLength(1);
  turned(64, 1700);
  expect(hamstrings(state)).toHaveLength(0);
  turned(1, 300);
  await waitFor(() => expect(hamstrings(state)).toHaveLength(1));
  const [reading] = hamstrings(state);
  expect(reading).toMatchObject({
    side: 'left',
    method: 'phone-tilt',
    protocol: 'straight-leg-raise.pelvis-watched',
  });
  reading!.values.forEach((value) => expect(Math.abs(value - 63)).toBeLessThanOrEqual(1.5));
  expect(screen.getByRole('radio', { name: /^Right/ })).toBeChecked();
  // Carried over, it reads nothing until it has rested there.
  turned(35, 1700);
  expect(screen.getByText(/^Right: lay it on this limb at rest/)).toBeInTheDocument();
  press('It lies there');
  expect(screen.queryByText(/^Right: lay it on this limb at rest/)).not.toBeInTheDocument();
  turned(58, 1700);
  turned(1, 300);
  await waitFor(() => expect(state().measuring.now?.entry?.values).toHaveLength(1));
});

test('a zero that slopes is asked about; one on the move waits until it lies still', async () => {
  await started();
  turned(30, 1500);
  press('Zero on the floor');
  expect(screen.getByRole('alert')).toHaveTextContent(/^Its edge slopes by 30°/);
  expect(screen.getByText(/^Lay it on the floor/)).toBeInTheDocument();
  press('The floor slopes so: zero it');
  expect(screen.getByText(/^Zeroed flat on its back/)).toBeInTheDocument();
  for (const deg of [10, 6, 2]) turned(deg, 100);
  press('Zero on the floor');
  expect(screen.getByRole('alert')).toHaveTextContent('Let it lie still');
  turned(1, 900);
  expect(screen.queryByRole('alert')).not.toBeInTheDocument();
});

test('a phone that lies otherwise than the range is read is told so, and not zeroed', async () => {
  await started();
  turned(0, 1500, 90);
  press('Zero on the floor');
  expect(screen.getByRole('alert')).toHaveTextContent(
    /^It lies standing on its long edge, screen to the side. This range is read flat on its back/,
  );
  expect(screen.getByRole('button', { name: 'Take it now' })).toHaveAttribute(
    'aria-disabled',
    'true',
  );
});

test('turned on its side, it is told, and not taken by hand either', async () => {
  const { state } = await started();
  press('Zero on the floor');
  fireEvent.click(screen.getByRole('checkbox', { name: /^Hands free/ }));
  turned(40, 1700, 35);
  press('Take it now');
  expect(screen.getByRole('alert')).toHaveTextContent(/^It is turned on its side by \d\d°/);
  expect(state().measuring.now?.entry?.values).toEqual([]);
});

test('with hands that are free to tap, it reads when told', async () => {
  const { state } = await started();
  press('Zero on the floor');
  fireEvent.click(screen.getByRole('checkbox', { name: /^Hands free/ }));
  turned(56, 1700);
  expect(state().measuring.now?.entry?.values).toEqual([]);
  press('Take it now');
  expect(state().measuring.now?.entry?.values).toEqual([55]);
});

test('nothing is read before the zero, nor upright', async () => {
  const { state } = await started();
  turned(60, 1800);
  expect(screen.getByRole('button', { name: 'Take it now' })).toHaveAttribute(
    'aria-disabled',
    'true',
  );
  turned(90, 900);
  press('Zero on the floor');
  expect(screen.getByRole('alert')).toHaveTextContent('It stands upright');
  expect(state().measuring.now?.entry?.values).toEqual([]);
});

test('a range read on the edge asks for a new zero', async () => {
  await started();
  press('Zero on the floor');
  press('All ranges');
  press(/^Pelvic tilt, standing/);
  expect(
    screen.getByText(/standing on its long edge, screen to the side, and zero it again/),
  ).toBeInTheDocument();
});

test('a knee bend is read in two places', async () => {
  const { state } = await show(<MeasureScreen id="p1" />);
  press(/^Knee bend with a bent hip ?left/);
  fireEvent.click(screen.getByRole('radio', { name: 'Phone tilt' }));
  press('Start the phone’s sensor');
  turned(0, 700);
  press('Zero on the floor');
  // Taken up and laid down again, it waits: that is no place of a knee that is bent.
  turned(40, 300);
  turned(2, 1800);
  expect(screen.getByText(/^1 of 2: Along the front of the thigh/)).toBeInTheDocument();
  turned(105, 1800);
  expect(screen.getByText(/^2 of 2: Along the shin/)).toBeInTheDocument();
  turned(-30, 1800);
  // The skin of the thigh falls 5° toward the knee, which the phone on it shows less.
  expect(state().measuring.now?.entry?.values).toEqual([140]);
});

test.each([
  [
    'there is no sensor',
    () => delete (window as { DeviceOrientationEvent?: unknown }).DeviceOrientationEvent,
    /no sensor, or the browser keeps it closed/,
  ],
  [
    'leave is refused',
    () => Object.assign(window.DeviceOrientationEvent, { requestPermission: async () => 'denied' }),
    /was not allowed to read the tilt/,
  ],
  [
    'asking itself fails',
    () =>
      Object.assign(window.DeviceOrientationEvent, {
        requestPermission: async () => Promise.reject(new Error('not from a tap')),
      }),
    /was not allowed to read the tilt/,
  ],
  [
    'the page is not secure',
    () => Object.assign(window, { isSecureContext: false }),
    /only on a secure page/,
  ],
])('%s: it says so, and offers the simulated one', async (_, make, words) => {
  await show(<MeasureScreen id="p1" />);
  make();
  press(/^Hamstring ?left/);
  fireEvent.click(screen.getByRole('radio', { name: 'Phone tilt' }));
  press('Start the phone’s sensor');
  expect(await screen.findByRole('alert')).toHaveTextContent(words);
  expect(screen.getByRole('button', { name: 'Use the simulated sensor' })).toBeInTheDocument();
});

test('the simulated sensor sends what its dial is set to, trembling as it is told', async () => {
  const dial = new Dial();
  dial.turn({ deg: 48, tremorDeg: 0, lies: 'back' });
  const heard: TiltSample[] = [];
  const stop = simulatedSensor(dial)(
    (sample) => heard.push(sample),
    () => undefined,
  );
  await waitFor(() => expect(heard.length).toBeGreaterThan(3));
  stop();
  expect(heard.every(({ betaDeg }) => betaDeg === 48)).toBe(true);
});

test('what the simulated sensor read says so in its note', async () => {
  const { state } = await show(<MeasureScreen id="p1" />);
  press(/^Hamstring ?left/);
  fireEvent.click(screen.getByRole('radio', { name: 'Phone tilt' }));
  press('Use the simulated sensor');
  await pressUntil(
    'Zero on the floor',
    () => screen.queryByText(/^Zeroed flat on its back/) !== null,
  );
  fireEvent.click(screen.getByRole('checkbox', { name: /^Hands free/ }));
  for (let i = 0; i < 6; i++) press('Ten degrees on');
  await pressUntil('Take it now', () => (state().measuring.now?.entry?.values.at(-1) ?? 0) > 50);
  press(SAVE);
  await waitFor(() => expect(hamstrings(state)).toHaveLength(1));
  expect(hamstrings(state)[0]).toMatchObject({ note: 'read by the simulated sensor' });
});

test('on its edge, up lies in the plane of the screen and turns with it', () => {
  for (const deg of [-60, -10, 0, 25, 120]) {
    const { betaDeg, gammaDeg } = momentOf(deg, 'edge');
    const [x, y, z] = upFrom(betaDeg, gammaDeg);
    expect(Math.abs(z)).toBeLessThan(1e-9);
    expect((Math.atan2(y, -x) * 180) / Math.PI).toBeCloseTo(deg, 6);
  }
});

test('the dial of the simulated sensor answers the keys: tens, ones, and home to the floor', () => {
  const dial = new Dial();
  render(<SimulatedDial dial={dial} />);
  const slide = screen.getByRole('slider', { name: 'Turn of the simulated phone' });
  for (const [key, deg] of [
    ['PageUp', 10],
    ['ArrowRight', 11],
    ['PageDown', 1],
    ['ArrowLeft', 0],
    ['PageUp', 10],
    ['Home', 0],
  ] as const) {
    fireEvent.keyDown(slide, { key });
    expect([dial.set.deg, slide.getAttribute('aria-valuenow')]).toEqual([deg, String(deg)]);
  }
});
