const key = (planting: string) => `rama.row.${planting}`;
const dayOf = (date: Date) => date.toLocaleDateString('sv');

/** The row somebody was at last with this device, today; empty for none. */
export function lastRow(planting: string, today = new Date()): string {
  const [day, row] = (localStorage.getItem(key(planting)) ?? '').split(' ');
  return day === dayOf(today) ? (row ?? '') : '';
}

/** Remembers the row at hand, so that another page of the planting, or the same opened anew, begins there. */
export function keepRow(planting: string, row: number, today = new Date()) {
  localStorage.setItem(key(planting), `${dayOf(today)} ${row}`);
}
