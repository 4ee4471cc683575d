import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { colours } from './colours';

// The component library cannot read the names of the style sheet, so its colours stand twice.
const css = readFileSync('src/look/tokens.css', 'utf8');
const tokens = {
  day: css.slice(0, css.indexOf('@media screen')),
  night: css.slice(css.indexOf('@media screen')),
};

it.each([
  ['colorPrimary', 'plum'],
  ['colorInfo', 'slate'],
  ['colorError', 'rust'],
  ['colorSuccess', 'lichen-ink'],
  ['colorText', 'bark'],
  ['colorBgContainer', 'sheet'],
  ['colorBgLayout', 'paper'],
  ['colorBorder', 'edge'],
  ['colorBorderSecondary', 'line'],
] as const)('%s is %s by day and at night', (ofLibrary, name) => {
  for (const shade of ['day', 'night'] as const)
    expect(colours[shade][ofLibrary]).toBe(new RegExp(`--${name}: (#[0-9a-f]{6});`).exec(tokens[shade])?.[1]);
});
