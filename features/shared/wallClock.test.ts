import { atWallClock, supperOffsetMin } from './wallClock';

const CLOCK_CHANGES = ['2026-03-29', '2026-10-25', '2026-07-01'];

describe('the cook’s own clock', () => {
  it.each(CLOCK_CHANGES)('shows half past seven on %s, whatever the hours of that day', (day) => {
    const at = atWallClock(new Date(`${day}T12:00:00`).getTime(), 19 * 60 + 30);
    expect([at.getHours(), at.getMinutes(), at.getDate()]).toEqual([19, 30, Number(day.slice(8))]);
  });
  it('the demo’s supper has the offset of its own evening', () => {
    for (const day of CLOCK_CHANGES) {
      const eve = new Date(`${day}T12:00:00`);
      expect(supperOffsetMin(new Date(`${day}T09:00:00`).getTime())).toBe(
        new Date(`${day}T19:30:00`).getTimezoneOffset(),
      );
      eve.setDate(eve.getDate() - 1);
      eve.setHours(14);
      expect(supperOffsetMin(eve.getTime())).toBe(new Date(`${day}T19:30:00`).getTimezoneOffset());
    }
  });
});
