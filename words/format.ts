import { format as formatDate } from 'date-fns/format';
import { isSameDay } from 'date-fns/isSameDay';
import { spoonRatio, type Settings } from '../core/settings';
import { t } from './book';
import { celsiusToFahrenheit, toSpoons, type SpoonCount } from '../core/units/measures';

/** US: what a gram, a millilitre and a millimetre are told in. */
const G_PER_OZ = 28.349523;
const ML_PER_FL_OZ = 29.57353;
const MM_PER_IN = 25.4;

const THIN = '\u202f';
const QUARTERS = ['', '¼', '½', '¾'] as const;

const thousands = (n: number) => String(n).replace(/\B(?=(\d{3})+(?!\d))/g, THIN);

/** 2.25 as 2¼; quarters only. */
export function quarters(n: number): string {
  const whole = Math.floor(n + 1e-6);
  const part = QUARTERS[Math.round((n - whole) * 4)] ?? '';
  return whole === 0 && part ? part : `${whole}${part}`;
}

/** The one formatter of amounts, temperatures and times: everything shown goes through it and follows the settings. */
export function formatter(s: Settings) {
  const us = s.spoons === 'us';
  const rounded = (n: number, decimals: number) => String(Math.round(n * 10 ** decimals) / 10 ** decimals);
  const amount = (g: number) =>
    us
      ? rounded(g / G_PER_OZ, g < 2 * G_PER_OZ ? 2 : 1)
      : g < 10
        ? String(Math.round(g * 10) / 10)
        : thousands(Math.round(g));
  const grams = (g: number) => `${amount(g)} ${us ? 'oz' : 'g'}`;
  const degrees = (c: number) => Math.round(s.temperature === 'F' ? celsiusToFahrenheit(c) : c);
  const time = (ms: number) => formatDate(ms, s.clock === '24' ? 'HH:mm' : 'h:mm aaa');
  return {
    settings: s,
    grams,
    amount,
    money: (sum: number) => `${s.money}${s.money ? THIN : ''}${sum.toFixed(2)}`,
    ml: (ml: number) =>
      us
        ? `${rounded(ml / ML_PER_FL_OZ, 1)} fl oz`
        : ml >= 1000
          ? `${Math.round(ml / 10) / 100} l`
          : `${thousands(Math.round(ml / 5) * 5)} ml`,
    /** bare figure with its degree sign, where the unit is clear beside it */
    deg: (c: number) => `${degrees(c)}°`,
    temp: (c: number) => `${degrees(c)} °${s.temperature}`,
    tempUnit: `°${s.temperature}`,
    /** a difference of kelvins */
    degApart: (k: number, decimals = 0) => {
      const apart = s.temperature === 'F' ? k * 1.8 : k;
      return `${Math.round(apart * 10 ** decimals) / 10 ** decimals}°`;
    },
    time,
    /** the time, with its day when that is not the day of `nowMs` */
    timeOn: (ms: number, nowMs: number) => (isSameDay(ms, nowMs) ? time(ms) : `${formatDate(ms, 'EEE')} ${time(ms)}`),
    /** a full hour beside a time line */
    hourOf: (ms: number) => formatDate(ms, s.clock === '24' ? 'HH' : 'haaa'),
    day: (ms: number) => formatDate(ms, 'd MMM'),
    /** of a month as 2026-12 */
    month: (month: string) => formatDate(new Date(`${month}-15T12:00`), 'MMM yyyy'),
    weekdayName: (ms: number) => formatDate(ms, 'EEEE'),
    weekday: (ms: number) => formatDate(ms, 'EEE d MMM'),
    countdown: (seconds: number) => {
      const v = Math.max(0, Math.round(seconds));
      const h = Math.floor(v / 3600);
      const m = Math.floor((v % 3600) / 60);
      const sec = String(v % 60).padStart(2, '0');
      return h ? `${h}:${String(m).padStart(2, '0')}:${sec}` : `${m}:${sec}`;
    },
    /** a length in the kitchen, of dishes and pans */
    length: (mm: number) => (us ? `${rounded(mm / MM_PER_IN, mm < MM_PER_IN ? 2 : 1)} in` : `${Math.round(mm)} mm`),
    /** a name that says how big it is, as those of usual pans and dishes do */
    named: (name: string) =>
      us
        ? name.replace(
            /(\d+(?:\.\d+)?)(?: × (\d+(?:\.\d+)?))? (cm|ml|l)\b/g,
            (_all, a: string, b: string | undefined, unit: 'cm' | 'ml' | 'l') => {
              const per = { cm: MM_PER_IN / 10, ml: ML_PER_FL_OZ, l: ML_PER_FL_OZ / 1000 }[unit];
              const figures = [a, b]
                .filter((n) => n !== undefined)
                .map((n) => rounded(Number(n) / per, unit === 'cm' ? 1 : 0));
              return `${figures.join(' × ')} ${unit === 'cm' ? 'in' : 'fl oz'}`;
            },
          )
        : name,
    /** a grain */
    fine: (mm: number) => (us ? `${rounded(mm / MM_PER_IN, 2)} in` : `${rounded(mm, 1)} mm`),
    /** across a pan */
    across: (mm: number) => (us ? `${rounded(mm / MM_PER_IN, 1)} in` : `${rounded(mm / 10, 1)} cm`),
    massUnit: us ? 'oz' : 'g',
    hours: (h: number) => {
      const minutes = Math.round(h * 60);
      if (minutes < 60) return `${minutes} min`;
      const rest = minutes % 60;
      return rest ? `${Math.floor(minutes / 60)} h ${rest} min` : `${Math.floor(minutes / 60)} h`;
    },
    /** counted out in this cook's own spoons; cups are the usual ones */
    inSpoons: (g: number, densityGPerMl: number, more?: Parameters<typeof toSpoons>[3]) =>
      toSpoons(g, densityGPerMl * (more?.cups ? 1 : spoonRatio(s.measured)), s.spoons, more),
    spoons: (c: Pick<SpoonCount, 'cups' | 'tbsp' | 'tsp'>) =>
      [
        // half a cup is one of its kind
        c.cups ? t('format.cups', { count: Math.max(1, c.cups), cups: quarters(c.cups) }) : '',
        c.tbsp ? t('format.tbsp', { tbsp: c.tbsp }) : '',
        c.tsp ? t('format.tsp', { tsp: quarters(c.tsp) }) : '',
      ]
        .filter(Boolean)
        .join(' + ') || t('format.pinch'),
  };
}
export type Formatter = ReturnType<typeof formatter>;

/** A chance in a cook's words. */
export function chanceWords(chance: number): string {
  const n = Math.round(chance * 10);
  if (n >= 10) return t('format.always');
  return n <= 0 ? t('format.never') : t('format.timesInTen', { count: n });
}
