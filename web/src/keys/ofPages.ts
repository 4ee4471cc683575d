import type { ToldKeys } from './told';

// All in one place, so that a test sees whether any clash.

export const shellKeys: ToldKeys = {
  title: 'keys.everywhere',
  lines: [
    ['/', 'keys./'],
    ['n', 'keys.n'],
    ['j k', 'keys.j k'],
    ['1–5 7', 'keys.1–5 7'],
    ['?', 'keys.?'],
  ],
};

/** The season page; j and k are those of the frame. */
export const seasonKeys: ToldKeys = {
  title: 'keys.season',
  lines: [
    ['Enter', 'keys.open'],
    ['x', 'keys.choose'],
    ['X', 'keys.stretch'],
    ['a', 'keys.all'],
    ['Escape', 'keys.none'],
  ],
};

export const benchKeys: ToldKeys = {
  title: 'keys.bench',
  lines: [
    ['ArrowRight ArrowLeft', 'keys.step'],
    ['ArrowDown ArrowUp', 'keys.pick'],
    ['Home End', 'keys.ends'],
    ['Space', 'keys.play'],
    ['x', 'keys.cut'],
    ['u r', 'keys.undo-redo'],
    ['p', 'keys.practice'],
    ['v', 'keys.turn'],
  ],
};

/** Counting trees on a laptop; in the row there is no frame with keys of its own. */
export const tallyKeys: ToldKeys = {
  title: 'keys.tally',
  lines: [
    ['1–8', 'keys.kinds'],
    ['0 9 . ,', 'keys.digits'],
    ['Backspace', 'keys.back'],
    ['Enter', 'keys.done'],
    ['d', 'keys.tree-done'],
    ['s', 'keys.skip'],
  ],
};

/** The crew plan, at the bar that has the focus. */
export const crewPlanKeys: ToldKeys = {
  title: 'keys.crew-plan',
  lines: [
    ['Tab', 'keys.next-bar'],
    ['Enter', 'keys.choose-bar'],
    ['ArrowLeft ArrowRight', 'keys.move-day'],
    ['ArrowUp ArrowDown', 'keys.move-crew'],
    ['Delete', 'keys.free'],
  ],
};

/** The row sheet, at its drawing. */
export const rowSheetKeys: ToldKeys = {
  title: 'keys.row-sheet',
  lines: [
    ['ArrowLeft ArrowRight ArrowUp ArrowDown', 'keys.move'],
    ['+ -', 'keys.closer'],
  ],
};

/** The curve of the target desk, at the curve. */
export const marginKeys: ToldKeys = {
  title: 'keys.margin',
  lines: [
    ['ArrowLeft ArrowRight', 'keys.fruit'],
    ['PageDown PageUp', 'keys.ten-fruit'],
  ],
};
