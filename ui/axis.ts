import { scaleLinear } from 'd3-scale';

/** One axis for all charts: a clamped linear scale and round ticks. */
export function axis(domain: [number, number], range: [number, number], ticks = 5) {
  const scale = scaleLinear().domain(domain).range(range).clamp(true);
  return { at: (v: number) => scale(v), ticks: scale.ticks(ticks) };
}
