import { fireEvent, render, screen } from '@testing-library/react';
import { AsPicture } from './AsPicture';
import { saveFile } from './files';
import { standaloneSvg } from './picture';

jest.mock('./files', () => ({ saveFile: jest.fn() }));

const drawing = (
  <svg viewBox="0 0 40 20">
    <path d="M0 0h40" stroke="rgb(1 2 3)" fill="none" />
  </svg>
);

test('a drawing is saved by its name, with its size and colours written out', () => {
  render(<AsPicture name="Pigeon, left">{drawing}</AsPicture>);
  fireEvent.click(screen.getByRole('button', { name: 'Pigeon, left as SVG' }));
  const [name, [text], type] = jest.mocked(saveFile).mock.calls.at(-1)!;
  expect([name, type]).toEqual(['pigeon-left.svg', 'image/svg+xml']);
  expect(text).toContain('width="40" height="20"');
  expect(text).toContain('fill="none"');
});

test('a picture is light while the page is dark, and the page stays dark', () => {
  const { container } = render(drawing);
  const root = document.documentElement;
  root.classList.add('dark');
  const seen: boolean[] = [];
  const read = jest.spyOn(window, 'getComputedStyle').mockImplementation(() => {
    seen.push(root.classList.contains('dark'));
    return { getPropertyValue: () => 'rgb(0, 0, 0)' } as unknown as CSSStyleDeclaration;
  });
  standaloneSvg(container.querySelector('svg')!);
  expect(seen.length).toBeGreaterThan(0);
  expect(seen).not.toContain(true);
  expect(root.classList.contains('dark')).toBe(true);
  read.mockRestore();
  root.classList.remove('dark');
});
