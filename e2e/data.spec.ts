import { readFileSync, writeFileSync } from 'node:fs';
import { amount, expect, openAt, openPlan, test } from './kitchen';

test('settings are followed everywhere at once and kept', async ({ watched: page }) => {
  await openPlan(page);
  await expect(page.getByText('at serving, 8 °C')).toBeVisible();
  await page.goto('/settings');
  await page.getByRole('radio', { name: '7:30 pm' }).click();
  await page.getByRole('radio', { name: /^US/ }).click();
  await expect(page.getByRole('radio', { name: '°F', exact: true })).toBeChecked();
  await page.getByRole('radio', { name: 'night', exact: true }).click();
  await expect(page.locator('html')).toHaveClass(/dark/);
  await page.goto('/plan?id=choir-2-vanilla');
  await expect(page.getByText('at serving, 46 °F')).toBeVisible();
  await expect(page.getByTestId('row-serve')).toHaveText(/7:30 pm/);
  await expect(amount(page, 'cornstarch')).toHaveAttribute('aria-label', 'cornstarch, oz');
  for (const [row, unit] of [
    ['row-pan', / in/],
    ['row-dish', / in deep.*fl oz/],
  ] as const)
    await expect(page.getByTestId(row)).toHaveText(unit);
  await expect(page.getByTestId('row-pan')).not.toHaveText(/cm|mm/);
  await page.getByRole('button', { name: /^On the hob/ }).click();
  await expect(page.getByLabel('Slurry goes in at, °F')).toHaveValue('140');
  await page.goto('/pot?cook=c-vanilla');
  await expect(page.getByText(/step 4 of 7, \d+:\d\d [ap]m/)).toBeVisible();
  await expect(page.locator('html')).toHaveClass(/dark/);
});

test('the kitchen goes out into a file and comes back the same; a broken file changes nothing', async ({
  watched: page,
}, info) => {
  await openAt(page, '/settings');
  const save = async () => {
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Export everything' }).click(),
    ]);
    return readFileSync(await file.path(), 'utf8');
  };
  await page.getByText('Cans and packets').waitFor();
  await expect(page.getByRole('button', { name: /Remove can/ })).toBeVisible();
  const first = await save();
  const kitchen = JSON.parse(first) as { plans: unknown[]; batches: { promise: { low: unknown } }[] };
  expect(kitchen.plans.length).toBe(10);

  const load = async (name: string, text: string) => {
    const path = test.info().outputPath(name);
    writeFileSync(path, text);
    await page.getByLabel('Kitchen file').setInputFiles(path);
  };
  kitchen.batches[1]!.promise.low = 'wet';
  await load('broken.json', JSON.stringify(kitchen));
  await expect(page.getByText(/batches\[1\]\.promise\.low/)).toBeVisible();
  await load('torn.json', first.slice(0, 500));
  await expect(page.getByText(/is not JSON/)).toBeVisible();

  // one's own kitchen is another one: nothing of the choir's is in it, and nothing of the choir's goes
  await page.getByRole('button', { name: 'Go to my own kitchen' }).click();
  await expect(page.getByText('nothing on yet')).toBeVisible();
  await expect(page.getByTestId('choir')).toHaveCount(0);
  await page.goto('/book');
  await expect(page.getByText('Cook once, then this fills.')).toBeVisible();

  await page.goto('/settings');
  await load('kitchen.json', first);
  await page.getByTestId('confirm').click();
  await expect(page.getByText('Done.')).toBeVisible();
  const strip = (t: string) => ({ ...(JSON.parse(t) as object), exportedAt: '' });
  expect(strip(await save())).toEqual(strip(first));

  await page.getByRole('button', { name: 'Look round the choir’s supper' }).click();
  await expect(page.getByTestId('choir')).toBeVisible();
  await page.goto('/settings');
  await page.getByRole('button', { name: 'Lay the supper anew' }).click();
  await page.getByTestId('confirm').click();
  await expect(page.getByText('Done.')).toBeVisible();
  await page.goto('/plan');
  await expect(page.getByRole('heading', { name: 'Hazelnut set pudding' })).toBeVisible();
});

test('a file is weighed before it comes in; a table of the book comes back with what was found', async ({
  watched: page,
}) => {
  await openAt(page, '/settings');
  await expect(page.getByRole('button', { name: /Remove can/ })).toBeVisible();
  const saved = async (key: string) => {
    const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: key }).click()]);
    return readFileSync(await file.path(), 'utf8');
  };
  const load = async (name: string, text: string) => {
    const path = test.info().outputPath(name);
    writeFileSync(path, text);
    await page.getByLabel('Kitchen file').setInputFiles(path);
  };
  const kitchen = JSON.parse(await saved('Export everything')) as { plans: { id: string; name: string }[] };
  await expect(page.getByTestId('keeping')).toContainText('0 batches since');
  const [first, ...rest] = kitchen.plans;
  const theirs = {
    ...kitchen,
    plans: [
      { ...first!, name: 'Another name' },
      { ...first!, id: 'x', name: 'One more' },
    ],
  };
  await load('theirs.json', JSON.stringify(theirs));
  const preview = page.getByTestId('preview');
  await expect(preview).toContainText('1 comes: One more');
  await expect(preview).toContainText(`1 differs and stays yours: ${first!.name}`);
  await page.getByRole('radio', { name: 'take the file’s' }).click();
  await expect(preview).toContainText('1 changes: Another name');
  await page.getByRole('radio', { name: /in the place of/ }).click();
  await expect(preview).toContainText(`${rest.length} go:`);
  await page.getByTestId('confirm').click();
  await expect(page.getByText('Done.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Export everything' }).waitFor();
  await expect
    .poll(async () => (JSON.parse(await saved('Export everything')) as typeof kitchen).plans.map((p) => p.name).sort())
    .toEqual(kitchen.plans.map((p) => p.name).sort());

  const book = await saved('Book as CSV');
  expect(book).toMatch(/^batch_id,.*depth_mm.*found_serving/);
  const lines = book.trim().split('\r\n');
  const row = lines.findIndex((l) => l.startsWith('b-coconut-1,'));
  lines[row] = lines[row]!.replace(/[^,]*$/, 'out of a spreadsheet');
  await load('book.csv', lines.join('\r\n'));
  await expect(preview).toContainText('1 changes');
  await page.getByTestId('confirm').click();
  await expect(page.getByText('Done.')).toBeVisible();
  await page.goto('/batch?id=b-coconut-1');
  await expect(page.getByRole('textbox', { name: 'Note' })).toHaveValue('out of a spreadsheet');
});

test('a packet size of the cook’s own shop is counted on the bench', async ({ watched: page }) => {
  await openPlan(page);
  await expect(page.getByText(/1 × carton of milk, \d+ g left over/)).toBeVisible();
  await page.goto('/settings');
  await page.getByRole('button', { name: 'Remove carton of milk' }).click();
  await page.getByRole('radiogroup', { name: 'A packet of' }).getByRole('radio', { name: 'whole milk' }).click();
  await page.getByRole('textbox', { name: 'What it is called' }).fill('half-litre bottle');
  await page.getByRole('textbox', { name: 'Holds, g' }).fill('515');
  await page.getByRole('button', { name: 'Add this size' }).click();
  await expect(page.getByText('half-litre bottle')).toBeVisible();
  await page.goto('/plan?id=choir-2-vanilla');
  await expect(page.getByText(/2 × half-litre bottle/)).toBeVisible();
});

test('two tabs of one cook: what one notes the other shows, and nothing is lost', async ({
  watched: page,
  context,
}, info) => {
  await openAt(page, '/pot?cook=c-vanilla');
  const other = await context.newPage();
  await other.clock.install({ time: await page.evaluate(() => Date.now()) });
  await other.goto('/pot?cook=c-vanilla');
  await expect(other.getByTestId('instruction').first()).toHaveText('Sweep the bottom');
  // the pot waits while the test taps: on a slow machine it would boil over
  const still = await other.evaluate(() => Date.now());
  await Promise.all([page, other].map((p) => p.clock.setFixedTime(still)));
  for (let i = 0; i < 4; i++)
    await Promise.all([
      page.getByRole('button', { name: 'Edges thicken' }).click(),
      other.getByRole('button', { name: 'Edges thicken' }).click(),
    ]);
  await other.getByRole('button', { name: 'First bubble' }).click();
  await expect(page.getByTestId('instruction').first()).toHaveText('Keep stirring');
  await page.getByRole('button', { name: 'More', exact: true }).click();
  // the rest of the log, older than the newest dozen
  await page.getByRole('button', { name: /^All \d+$/ }).click();
  for (const [what, times] of [
    ['Edges thicken', 8],
    ['First bubble', 1],
    // the one of the demo, before this
    ['It steams', 1],
  ] as const)
    await expect(page.getByRole('button', { name: `Take back ${what}`, exact: true })).toHaveCount(times);
});

test('what a tab noted that died before it was written comes into the one that is open', async ({
  watched: page,
  context,
}) => {
  await openAt(page, '/pot?cook=c-vanilla');
  const dying = await context.newPage();
  await dying.addInitScript(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
  });
  await dying.goto('/pot?cook=c-vanilla');
  await dying.getByRole('button', { name: 'First bubble' }).click();
  await expect(dying.getByTestId('instruction').first()).toHaveText('Keep stirring');
  await dying.close();
  await expect(page.getByTestId('instruction').first()).toHaveText('Keep stirring');
});

test('a record that cannot be read is set aside and said, the rest is there', async ({ watched: page }) => {
  await openPlan(page);
  await page.evaluate(async () => {
    for (const { name } of await indexedDB.databases()) {
      const db = await new Promise<IDBDatabase>(
        (ok) => (indexedDB.open(name!).onsuccess = (e) => ok((e.target as IDBOpenDBRequest).result)),
      );
      for (const store of db.objectStoreNames) {
        const tx = db.transaction(store, 'readwrite');
        const s = tx.objectStore(store);
        const keys = await new Promise<IDBValidKey[]>(
          (ok) => (s.getAllKeys().onsuccess = (e) => ok((e.target as IDBRequest<IDBValidKey[]>).result)),
        );
        const key = keys.find((k) => String(k).includes('batches/b-coconut-1'));
        if (key === undefined) continue;
        const old = await new Promise<unknown>(
          (ok) => (s.get(key).onsuccess = (e) => ok((e.target as IDBRequest).result)),
        );
        const torn = typeof old === 'string' ? '{"v":1,' : { ...(old as object), value: '{"v":1,' };
        if (s.keyPath === null) s.put(torn, key);
        else s.put(torn);
        await new Promise((ok) => (tx.oncomplete = ok));
      }
      db.close();
    }
  });
  // a list is read by its rows: what is torn is found when it is opened
  await page.goto('/book');
  await page.getByRole('link', { name: /Coconut squares/ }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'batches/b-coconut-1' })).toBeVisible();
  await expect(page.getByText('not in the book')).toBeVisible();
  await page.getByRole('button', { name: 'To the book' }).click();
  await expect(page.getByRole('link', { name: /Coconut squares/ })).toHaveCount(0);
  await expect(page.getByRole('link', { name: /Vanilla milk cups/ })).toHaveCount(1);
  await page.reload();
  await expect(page.getByRole('link', { name: /Vanilla milk cups/ })).toHaveCount(1);
  await expect(page.getByRole('alert').filter({ hasText: /\S/ })).toHaveCount(0);
  await page.goto('/settings');
  await expect(page.getByRole('button', { name: 'Save the 1 set-aside record' })).toBeVisible();
});

test('a full disk is said and an export is offered; what was typed stays', async ({ watched: page }) => {
  await openPlan(page);
  await page.evaluate(() => {
    IDBObjectStore.prototype.put = function () {
      throw new DOMException('The quota has been exceeded.', 'QuotaExceededError');
    };
  });
  await page.getByTestId('amount-sugar').getByRole('button', { name: /^more/ }).click();
  const alert = page.getByRole('alert').filter({ hasText: /Not saved/ });
  await expect(alert).toBeVisible();
  await expect(alert.getByRole('button', { name: 'Export everything' })).toBeVisible();
});

test('after one visit it opens without any network', async ({ page, context }) => {
  await page.goto('/plan');
  await expect(page.getByTestId('word-serving')).toBeVisible();
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
  });
  await page.reload();
  await context.setOffline(true);
  await page.goto('/book');
  await expect(page.getByTestId('advice')).toBeVisible();
  await page.goto('/plan?id=choir-2-vanilla');
  await amount(page, 'cornstarch').fill('60');
  await expect(page.getByTestId('word-serving')).toHaveText('slices');
});
