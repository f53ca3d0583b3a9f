/** One axis for all charts: from a domain to pixels, linear, never past its ends. */
export function axis([d0, d1]: [number, number], [r0, r1]: [number, number]) {
  return {
    at: (value: number): number => {
      const share = Math.min(1, Math.max(0, (value - d0) / (d1 - d0)));
      return r0 + (r1 - r0) * share;
    },
  };
}
