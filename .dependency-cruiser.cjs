/** Arrows point one way: app → features → (ui, storage, workers, devices) → core. */
const only = (name, from, to) => ({
  name,
  severity: 'error',
  from: { path: from },
  to: { path: '^(app|features|ui|words|storage|workers|devices|server|cli|e2e|core)/', pathNot: to },
});

/** The rooms of core, each standing on those before it and on no other. */
const ROOMS = [
  'coefficients',
  'say',
  'moment',
  'settings',
  'records',
  'units',
  'pantry',
  'matter',
  'pot',
  'texture',
  'set',
  'oven',
  'plan',
  'model',
  'sides',
  'vessels',
  'advice',
  'anchors',
  'twin',
  'cook',
  'rescue',
  'book',
  'prep',
  'day',
  'recipe',
  'kitchen',
  'practice',
  'formats',
  'demo',
];
const room = (names) => `^core/(${names.join('|')})(/|\\.ts$)`;
const standsOnEarlier = ROOMS.slice(0, -1).map((name, i) => ({
  name: `core-${name}-stands-on-what-is-before-it`,
  severity: 'error',
  from: { path: room([name]), pathNot: '\\.test\\.ts$' },
  to: { path: room(ROOMS.slice(i + 1)) },
}));

module.exports = {
  forbidden: [
    ...standsOnEarlier,
    {
      name: 'core-has-only-its-rooms',
      severity: 'error',
      from: {},
      to: { path: '^core/', pathNot: `${room(ROOMS)}|^core/testing` },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    // a test of core may read what it says in English
    { ...only('core-alone', '^core/', '^core/'), from: { path: '^core/', pathNot: '\\.test\\.ts$' } },
    only('ui-knows-no-feature', '^ui/', '^(ui|words|core)/'),
    only('workers-are-core', '^workers/', '^(workers|words|core)/'),
    only('devices-are-core', '^devices/', '^(devices|core)/'),
    only('words-are-core', '^words/', '^(words|core)/'),
    only('storage-below-features', '^storage/', '^(storage|workers|core)/'),
    only('features-below-app', '^features/', '^(features|ui|words|storage|workers|devices|core)/'),
    // the stand-in kitchen that it serves is core, as everybody's
    only('server-on-core', '^server/', '^(server|core)/'),
    {
      name: 'no-feature-imports-another',
      severity: 'error',
      from: { path: '^features/([^/]+)/' },
      to: { path: '^features/', pathNot: '^features/($1|shared)/' },
    },
    {
      name: 'core-no-react',
      severity: 'error',
      from: { path: '^core/' },
      to: { path: 'node_modules/(react|react-native|expo|@tanstack|nativewind)' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
  },
};
