import { screen } from '@testing-library/react';
import { samplePose } from '@/core/tests/samples';
import { show } from '../tests/onScreen';
import { PoseLine } from './PoseLine';

const tried = (slot: string, heightCm: number, word: boolean, more = {}) => ({
  slot,
  side: 'both' as const,
  heightCm,
  word,
  ...more,
});

test('what was tried is told, with where it spoke; what cannot be taken is said to be kept', async () => {
  const trials = [
    tried('seat', 12, false),
    tried('seat', 10, true, { spot: 'front-knee:left' }),
    tried('hover', 8, false),
  ];
  await show(<PoseLine title="Hero" outcome={samplePose({ trials })} />);
  expect(
    screen.getByText('Tried: 12 cm quiet, 10 cm a word (the front of the knee, left)'),
  ).toBeInTheDocument();
  expect(screen.getByText('Kept, not reckoned with: “hover” 8 cm quiet')).toBeInTheDocument();
});

test('a lean to one side is in the record', async () => {
  await show(<PoseLine title="Hero" outcome={samplePose({ list: 'left' })} />);
  expect(screen.getByText(/leaned to the left/)).toBeInTheDocument();
});
