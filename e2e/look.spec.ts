import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, openAt, openPlan, test } from './kitchen';

const key = (page: Page, name: string | RegExp) => page.getByRole('button', { name });

/** Each main view, ready to be judged. */
const VIEWS: [name: string, go: (page: Page) => Promise<void>][] = [
  ['plan', (page) => openPlan(page)],
  [
    'plan sheet',
    async (page) => {
      await openPlan(page);
      await page.getByTestId('row-dish').click();
      await expect(page.getByText('How many')).toBeVisible();
    },
  ],
  ...(
    [
      ['ways', (page) => key(page, /^How long after it thickens/).click(), 'row-ways', 'school-after thickening'],
      [
        'side pot',
        (page) =>
          key(page, /^Compote/)
            .first()
            .click(),
        'row-sides',
        'side-answer',
      ],
      ['occasion', (page) => key(page, 'Make it dairy-free').click(), 'row-rules', 'free-milk'],
      ['taste', () => Promise.resolve(), 'row-taste', 'held-sugar'],
      ['pan', () => Promise.resolve(), 'row-pan', 'pan-fit'],
      [
        'steps',
        (page) =>
          key(page, /^\d+\. Cook on/)
            .first()
            .click(),
        'row-steps',
        'step-effect',
      ],
      ['portions', (page) => key(page, 'Some baked on').click(), 'row-portions', 'loosen'],
    ] as [string, (page: Page) => Promise<void>, string, string][]
  ).map(([name, act, row, ready]): [string, (page: Page) => Promise<void>] => [
    name,
    async (page) => {
      await openPlan(page);
      await page.getByTestId(row).click();
      await act(page);
      await expect(page.getByTestId(ready)).toBeVisible();
    },
  ]),
  [
    'solve',
    async (page) => {
      await openPlan(page);
      await key(page, 'Work out the amounts').click();
      await expect(page.getByTestId('solved')).toBeVisible();
    },
  ],
  [
    'stand-in',
    async (page) => {
      await openPlan(page);
      await key(page, 'I have none').click();
      await key(page, /^whole milk/)
        .last()
        .click();
      await key(page, /^oat drink/).click();
      await expect(page.getByTestId('instead-oat_drink')).toBeVisible();
    },
  ],
  [
    'wish',
    async (page) => {
      await openPlan(page);
      await key(page, 'Plans').click();
      await key(page, 'Plan a new pudding').click();
      await expect(page.getByLabel('What you wish')).toBeVisible();
    },
  ],
  [
    'recipe',
    async (page) => {
      await openAt(page, '/recipe');
      await page
        .getByLabel('The recipe')
        .fill(
          '500 ml milk\n4 tbsp cornflour\n60 g sugar\n2 glugs of something\n\nBoil the milk and add the cornflour.',
        );
      await key(page, 'Read it').click();
      await expect(page.getByTestId('checkup')).toBeVisible();
    },
  ],
  [
    'compare',
    async (page) => {
      await openAt(page, '/compare?a=choir-2-vanilla&b=choir-3-coconut');
      await expect(page.getByTestId('differences')).toBeVisible();
    },
  ],
  [
    'lining',
    async (page) => {
      await openAt(page, '/lining?id=choir-3-coconut');
      await expect(page.getByTestId('lining-sheet')).toBeVisible();
    },
  ],
  [
    'weigh',
    async (page) => {
      await openPlan(page);
      await page.getByTestId('cook').click();
      await expect(page.getByTestId('instruction').first()).toHaveText('Weigh it out');
    },
  ],
  [
    'pot',
    async (page) => {
      await openAt(page, '/pot?cook=c-vanilla');
      await expect(page.getByText('middle', { exact: true })).toBeVisible();
    },
  ],
  [
    'set',
    async (page) => {
      await openAt(page, '/pot?cook=c-vanilla');
      for (const key of ['First bubble', 'Done cooking', 'Stirred in', 'Poured'])
        await page.getByRole('button', { name: new RegExp(`^${key}`) }).click();
      await page.getByRole('button', { name: 'See it set' }).click();
      await expect(page.getByTestId('ready-at')).toBeVisible();
    },
  ],
  [
    'book',
    async (page) => {
      await openAt(page, '/book');
      await expect(page.getByTestId('advice')).toBeVisible();
    },
  ],
  [
    'batch',
    async (page) => {
      await openAt(page, '/batch?id=b-hazel-1');
      await expect(page.getByTestId('next-time')).toBeVisible();
    },
  ],
  [
    'kitchen',
    async (page) => {
      await openAt(page, '/kitchen');
      await expect(page.getByTestId('learnt')).toBeVisible();
    },
  ],
  [
    'exercises',
    async (page) => {
      await openAt(page, '/practice');
      await expect(page.getByTestId('exercise-unmould')).toBeVisible();
    },
  ],
  [
    'practice pot',
    async (page) => {
      await openAt(page, '/practice?do=saved');
      await expect(page.getByTestId('why').first()).toBeVisible();
    },
  ],
  [
    'poured in practice',
    async (page) => {
      await openAt(page, '/practice?do=chill');
      await page.getByTestId('pour').click();
      await expect(page.getByTestId('dish')).toBeVisible();
    },
  ],
  [
    'debrief',
    async (page) => {
      await openAt(page, '/practice?do=unmould');
      await expect(page.getByTestId('dish')).toBeVisible();
      await page.getByTestId('finish').click();
      await expect(page.getByTestId('costs')).toBeVisible();
    },
  ],
  [
    'measuring',
    async (page) => {
      await openAt(page, '/kitchen');
      await page.getByTestId('measure-ring').click();
      await expect(page.getByTestId('measuring')).toBeVisible();
    },
  ],
  [
    'day',
    async (page) => {
      await openAt(page, '/day');
      await expect(page.getByTestId('next-act')).toBeVisible();
    },
  ],
  [
    'act',
    async (page) => {
      await openAt(page, '/day');
      await page.getByTestId('block-choir-3-coconut:pot-warm').click();
      await expect(key(page, 'It is done')).toBeVisible();
    },
  ],
  [
    'shopping',
    async (page) => {
      await openAt(page, '/shopping');
      await expect(page.getByTestId('buy-cornstarch')).toBeVisible();
    },
  ],
  [
    'prep',
    async (page) => {
      await openAt(page, '/prep?id=choir-1-hazelnut');
      await expect(page.getByTestId('prep-slurry-jug')).toBeVisible();
    },
  ],
  [
    'weigh out',
    async (page) => {
      await openAt(page, '/prep?id=choir-3-coconut');
      await page.getByTestId('weigh-out').click();
      await key(page, 'Stand-in scale').click();
      await expect(page.getByTestId('scale-reading')).toBeVisible();
    },
  ],
  [
    'settings',
    async (page) => {
      await openAt(page, '/settings');
      await expect(page.getByText('Cans and packets')).toBeVisible();
    },
  ],
  ['nowhere', async (page) => void (await page.goto('/nowhere'))],
];

const PHONE = { width: 390, height: 844 };
const WIDE = { width: 1280, height: 800 };
const LOOKS = [
  ['phone by day', PHONE, 'light'],
  ['phone by night', PHONE, 'dark'],
  ['wide by night', WIDE, 'dark'],
  ['wide by day', WIDE, 'light'],
] as const;
/** Keys are hit by a wet thumb, px; a mark on the scale of the hob is as high, and at least this wide. */
const LEAST = 47;
const LEAST_MARK = 24;

/** What is wrong, every rule; what is right needs no list, and no second page puts the frames together: there are none. */
const axe = (page: Page) => new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).setLegacyMode(true);

const sidewaysIn = (page: Page) =>
  page.evaluate(() =>
    [document.documentElement, ...document.querySelectorAll<HTMLElement>('*')]
      .filter(
        (e) =>
          e.scrollWidth > e.clientWidth + 1 &&
          ['auto', 'scroll'].includes(getComputedStyle(e).overflowX) &&
          e.clientWidth > 0,
      )
      .map((e) => e.className.toString().slice(0, 80)),
  );

const smallIn = (page: Page) =>
  page.evaluate(
    ([least, mark]) =>
      [
        ...document.querySelectorAll<HTMLElement>(
          '[role=button],[role=radio],[role=checkbox],a,button,[data-testid^=hob-]',
        ),
      ]
        .filter((e) => e.offsetParent !== null && (e.tabIndex >= 0 || e.dataset['testid']?.startsWith('hob-')))
        // in the lanes of a day the lane is hit, and finds the block: see day.spec.ts
        .filter((e) => e.closest('[data-testid=lanes]') === null)
        .map((e) => ({
          box: e.getBoundingClientRect(),
          name: e.getAttribute('aria-label') ?? e.dataset['testid'] ?? e.textContent,
        }))
        .filter(({ box, name }) => {
          const wide = /^hob-\d$/.test(name ?? '') ? mark : least;
          return box.width > 0 && (box.height < least || box.width < wide);
        })
        // the name beside an amount, which is set by its own keys
        .filter(({ name }) => !name?.startsWith('change '))
        .map(({ box, name }) => `${name} ${Math.round(box.width)}x${Math.round(box.height)}`),
    [LEAST, LEAST_MARK] as const,
  );

const cutIn = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('[dir=auto],[role=button],input')]
      .filter((e) => e.offsetParent !== null && e.getBoundingClientRect().width > 0)
      .filter((e) => e.getBoundingClientRect().right > innerWidth + 2 || e.getBoundingClientRect().left < -2)
      .map((e) => (e.getAttribute('aria-label') ?? e.textContent ?? '').slice(0, 40)),
  );

for (const [name, go] of VIEWS)
  test(`${name}: axe finds nothing, nothing scrolls sideways, keys are big enough, twice the text is not cut`, async ({
    watched: page,
  }) => {
    test.slow();
    await go(page);
    for (const [look, size, colorScheme] of LOOKS) {
      await page.setViewportSize(size);
      await page.emulateMedia({ colorScheme });
      await expect(page.locator('html')).toHaveClass(colorScheme === 'dark' ? /dark/ : /^(?!.*dark)/);
      const { violations } = await axe(page).analyze();
      expect
        .soft(
          violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`),
          `axe, ${look}`,
        )
        .toEqual([]);
      expect.soft(await sidewaysIn(page), `scrolls sideways, ${look}`).toEqual([]);
      expect.soft(await smallIn(page), `keys too small, ${look}`).toEqual([]);
    }
    await page.setViewportSize(PHONE);
    await page.addStyleTag({ content: 'html{font-size:32px}' });
    expect.soft(await cutIn(page), 'cut at twice the text').toEqual([]);
  });
