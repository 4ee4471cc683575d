import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import type { SeasonLine } from '../../api/client';
import { HabitContext } from '../../words/habit';
import { useReading } from '../../words/useReading';
import { totalOf, type Item } from './find';

/** The lines of the list that are in view, and a few around them: a thousand plantings scroll like ten. */
export function ListInView({
  items,
  lineHigh,
  at,
  nameOf,
  line,
}: {
  items: Item[];
  /** About how high a line is, pixels. */
  lineHigh: number;
  /** The line the keys are at, which is kept in view. */
  at: string | null;
  nameOf: (group: string) => string;
  line: (line: SeasonLine) => ReactNode;
}) {
  const { t, number, told } = useReading();
  const list = useRef<HTMLOListElement>(null);
  const [top, setTop] = useState(0);
  useEffect(() => {
    setTop(list.current?.offsetTop ?? 0);
  }, []);
  const about = (lines: SeasonLine[]) => {
    const { plantings, areaHa, hours } = totalOf(lines);
    return [
      t('season.group-count', { count: plantings }),
      told(areaHa, 'ha', 1),
      `${number(hours, 0)} ${t('unit:h')}`,
    ].join(' · ');
  };
  const virtual = useWindowVirtualizer({
    count: items.length,
    estimateSize: (i) => (items[i]!.kind === 'group' ? 46 : lineHigh),
    overscan: 6,
    scrollMargin: top,
    getItemKey: (i) => {
      const item = items[i]!;
      return item.kind === 'group' ? `g:${item.name}` : item.line.id;
    },
  });
  const place = at === null ? -1 : items.findIndex((item) => item.kind === 'line' && item.line.id === at);
  useEffect(() => {
    if (place >= 0) virtual.scrollToIndex(place, { align: 'auto' });
  }, [place, virtual]);
  return (
    <ol className="season-list" ref={list} style={{ height: virtual.getTotalSize() }}>
      {virtual.getVirtualItems().map((row) => {
        const item = items[row.index]!;
        return (
          <li
            key={row.key}
            data-index={row.index}
            ref={virtual.measureElement}
            style={{ transform: `translateY(${row.start - top}px)` }}
            aria-setsize={items.length}
            aria-posinset={row.index + 1}
          >
            {item.kind === 'line' ? (
              <HabitContext.Provider value={item.line.habit}>{line(item.line)}</HabitContext.Provider>
            ) : (
              <h2 className="season-group">
                {nameOf(item.name) || '–'} <span className="small dim">{about(item.lines)}</span>
              </h2>
            )}
          </li>
        );
      })}
    </ol>
  );
}
