import ICAL from 'ical.js';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

// The calendar of a crew as the server writes it (held to it by tests/Rama.Web.Tests/CostTests.cs), read by a parser
// that has nothing to do with the library that wrote it.
const text = readFileSync(new URL('../../../../tests/Rama.Web.Tests/Files/crew-c.ics', import.meta.url), 'utf8');

describe('the calendar file of a crew', () => {
  const events = new ICAL.Component(ICAL.parse(text) as unknown[])
    .getAllSubcomponents('vevent')
    .map((e) => new ICAL.Event(e));

  it('is read by another parser: whole days with what, where and who', () => {
    expect(events.length).toBeGreaterThan(10);
    expect(new Set(events.map((e) => e.uid)).size).toBe(events.length);
    for (const event of events) {
      expect(event.startDate.isDate && event.endDate.isDate).toBe(true);
      expect(event.endDate.compare(event.startDate)).toBe(1);
      expect(event.summary).toMatch(/^[HW]\d+P? .+ · Crew C$/);
      expect(['Home Farm', 'Weir Bank']).toContain(event.location);
      expect(event.description).toMatch(/\d+ people, \d+ h paid/);
    }
  });

  it('keeps to the lines of RFC 5545', () => {
    expect(text.endsWith('END:VCALENDAR\r\n')).toBe(true);
    const lines = text.split('\r\n');
    expect(lines.every((l) => !l.includes('\n') && new TextEncoder().encode(l).length <= 75)).toBe(true);
  });

  it('has no day of the week the crew is free', () => {
    // Crew C works from Monday to Friday.
    for (const event of events)
      for (let day = event.startDate.toJSDate(); day < event.endDate.toJSDate(); day = next(day))
        expect([0, 6]).not.toContain(day.getDay());
  });
});

function next(day: Date) {
  return new Date(day.getFullYear(), day.getMonth(), day.getDate() + 1);
}
