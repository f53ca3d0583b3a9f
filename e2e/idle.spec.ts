import { expect, openAt, test } from './kitchen';

/** Counts what React puts on the screen, the way its own tools hear of it. */
const COUNT = () => {
  const counted = { commits: 0 };
  Object.assign(globalThis, {
    counted,
    __REACT_DEVTOOLS_GLOBAL_HOOK__: {
      supportsFiber: true,
      renderers: new Map(),
      inject: () => 1,
      onCommitFiberRoot: () => (counted.commits += 1),
      onPostCommitFiberRoot: () => undefined,
      onCommitFiberUnmount: () => undefined,
    },
  });
};
const LOOK_S = 8;

test.describe('with nobody touching it', () => {
  for (const [what, path, most] of [
    // a second of the step's time, and an answer of the model now and then
    ['the pot is drawn about once a second', '/pot?cook=c-vanilla', 2 * LOOK_S],
    ['a room where nothing cooks is not drawn at all', '/book', 1],
  ] as const)
    test(what, async ({ watched: page }) => {
      await page.addInitScript(COUNT);
      await openAt(page, path);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      if (path.startsWith('/pot')) await expect(page.getByTestId('between')).toBeVisible();
      else await page.waitForTimeout(3000);
      const commits = () =>
        page.evaluate(() => (globalThis as unknown as { counted: { commits: number } }).counted.commits);
      const before = await commits();
      expect(before).toBeGreaterThan(0);
      await page.waitForTimeout(LOOK_S * 1000);
      expect((await commits()) - before).toBeLessThanOrEqual(most);
    });
});
