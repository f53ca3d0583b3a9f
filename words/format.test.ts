import { DEFAULT_SETTINGS } from '../core/settings';
import { chanceWords, formatter } from './format';

const metric = formatter(DEFAULT_SETTINGS);
const us = formatter({ ...DEFAULT_SETTINGS, temperature: 'F', spoons: 'us', clock: '12' });

describe('the formatter', () => {
  it('follows the settings', () => {
    expect([metric.temp(8), us.temp(8)]).toEqual(['8 °C', '46 °F']);
    expect(metric.degApart(10)).toBe('10°');
    expect(us.degApart(10)).toBe('18°');
    const at = new Date(2026, 11, 12, 19, 30).getTime();
    expect([metric.time(at), us.time(at)]).toEqual(['19:30', '7:30 pm']);
  });
  it('writes amounts as a cook reads them', () => {
    expect(metric.grams(4.46)).toBe('4.5 g');
    expect(metric.grams(112.4)).toBe('112 g');
    expect(metric.grams(1047)).toBe('1\u202f047 g');
    expect(metric.ml(1042)).toBe('1.04 l');
  });
  it('counts in the cook’s own spoons, and cups as usual', () => {
    const at = '2026-12-01T10:00:00Z';
    const big = formatter({
      ...DEFAULT_SETTINGS,
      measured: [{ what: 'spoon', of: 'tbsp', value: 1.25, sd: 0.03, at }],
    });
    const tsp = (c: { tbsp: number; tsp: number }) => 3 * c.tbsp + c.tsp;
    expect(tsp(metric.inSpoons(40.5, 0.54))).toBeCloseTo(15, 1);
    expect(tsp(big.inSpoons(40.5, 0.54))).toBeCloseTo(12, 1);
    expect(big.inSpoons(515, 1.03, { cups: true })).toEqual(metric.inSpoons(515, 1.03, { cups: true }));
  });
  it('writes ounces and inches for a cook of the US, everywhere', () => {
    expect([us.grams(88), us.grams(28.35), us.grams(1)]).toEqual(['3.1 oz', '1 oz', '0.04 oz']);
    expect([us.ml(95), us.ml(1000)]).toEqual(['3.2 fl oz', '33.8 fl oz']);
    expect([us.length(200), us.length(12)]).toEqual(['7.9 in', '0.47 in']);
    expect(['steel pan, 20 cm', 'tray, 20 × 20 cm', 'cups, 150 ml', 'bowl, 1.5 l'].map(us.named)).toEqual([
      'steel pan, 7.9 in',
      'tray, 7.9 × 7.9 in',
      'cups, 5 fl oz',
      'bowl, 51 fl oz',
    ]);
    expect(metric.named('steel pan, 20 cm')).toBe('steel pan, 20 cm');
    expect([us.massUnit, metric.massUnit]).toEqual(['oz', 'g']);
  });
  it('writes spoons in quarters and never an empty line', () => {
    expect(metric.spoons({ cups: 0, tbsp: 9, tsp: 2.25 })).toBe('9 tbsp + 2¼ tsp');
    expect(metric.spoons({ cups: 1.5, tbsp: 0, tsp: 0.5 })).toBe('1½ cups + ½ tsp');
    expect(metric.spoons({ cups: 0, tbsp: 0, tsp: 0 })).toBe('a pinch');
  });
  it('counts down in minutes and hours', () => {
    expect([metric.countdown(110), metric.countdown(-3), metric.countdown(3725)]).toEqual(['1:50', '0:00', '1:02:05']);
    expect([metric.hours(0.5), metric.hours(2), metric.hours(2.67)]).toEqual(['30 min', '2 h', '2 h 40 min']);
  });
  it('says a chance in words', () => {
    expect([chanceWords(0.72), chanceWords(0.99), chanceWords(0.01), chanceWords(0.1)]).toEqual([
      '7 times in 10',
      'nearly always',
      'hardly ever',
      'once in 10',
    ]);
  });
});
