/** Arrows point one way: app → features → (ui, storage, workers, devices) → core. */
const only = (name, from, to) => ({
  name,
  severity: 'error',
  from: { path: from },
  to: { path: '^(app|features|ui|storage|workers|devices|server|cli|e2e|core)/', pathNot: to },
});

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    only('core-alone', '^core/', '^core/'),
    only('ui-knows-no-feature', '^ui/', '^(ui|core)/'),
    only('workers-are-core', '^workers/', '^(workers|core)/'),
    only('devices-are-core', '^devices/', '^(devices|core)/'),
    only('storage-below-features', '^storage/', '^(storage|workers|core)/'),
    only('features-below-app', '^features/', '^(features|ui|storage|workers|devices|core)/'),
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
