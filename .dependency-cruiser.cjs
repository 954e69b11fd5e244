// The layering of the house: data runs one way. Core folders import only from those above them in this list.
const order = [
  'theory',
  'fretboard',
  'grips',
  'effort',
  'shapes',
  'pace',
  'changes',
  'hands',
  'scales',
  'score',
  'engraving',
  'sound',
  'harmony',
  'paper',
  'exchange',
  'drills',
  'syllabus',
  'estimates',
  'mastery',
  'planning',
];
const core = order.flatMap((folder, i) => {
  const below = [...order.slice(i + 1), 'simulation'];
  return [
    {
      name: `core-${folder}`,
      severity: 'error',
      from: { path: `^packages/core/src/${folder}/`, pathNot: '\\.test\\.ts$' },
      to: { path: `^packages/core/src/(${below.join('|')})/` },
    },
  ];
});
const tests = { pathNot: '\\.test\\.ts$' };

module.exports = {
  forbidden: [
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'kernel-knows-nothing',
      severity: 'error',
      from: { path: '^packages/core/src/kernel/' },
      to: { path: '^packages/core/src/(?!kernel/)' },
    },
    ...core,
    {
      name: 'simulation-apart',
      severity: 'error',
      from: { path: '^packages/core/src/simulation/' },
      to: { path: '^packages/core/src/(mastery|planning)/' },
    },
    {
      name: 'mastery-never-reads-truth',
      severity: 'error',
      from: { path: '^packages/core/src/(mastery|planning)/' },
      to: { path: '^packages/core/src/simulation/' },
    },
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^packages/core/' },
      to: { path: '^packages/(contract|server|web)/' },
    },
    {
      name: 'core-without-node',
      severity: 'error',
      from: { path: '^packages/core/src/', ...tests },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'contract-between',
      severity: 'error',
      from: { path: '^packages/contract/' },
      to: { path: '^packages/(server|web)/' },
    },
    {
      name: 'server-not-web',
      severity: 'error',
      from: { path: '^packages/server/' },
      to: { path: '^packages/web/' },
    },
    {
      name: 'web-not-server',
      severity: 'error',
      from: { path: '^packages/web/' },
      to: { path: '^packages/server/' },
    },
    {
      // A made history is written in bulk before anything is served; whatever serves goes through services.
      name: 'capability-calls-services',
      severity: 'error',
      from: {
        path: '^packages/server/src/([^/]+)/',
        pathNot: ['\\.test\\.ts$', '^packages/server/src/(demo|test)/'],
      },
      to: {
        path: '^packages/server/src/[^/]+/[^/]+\\.repository\\.ts$',
        pathNot: '^packages/server/src/$1/',
      },
    },
    {
      name: 'platform-knows-no-capability',
      severity: 'error',
      from: { path: '^packages/server/src/platform/' },
      to: { path: '^packages/server/src/(?!platform/)[^/]+/' },
    },
    {
      name: 'place-imports-no-place',
      severity: 'error',
      from: { path: '^packages/web/src/places/([^/]+)/' },
      to: { path: '^packages/web/src/places/', pathNot: '^packages/web/src/places/$1/' },
    },
    {
      name: 'words-below-all-screens',
      severity: 'error',
      from: { path: '^packages/web/src/words/', pathNot: '\\.test\\.ts$' },
      to: { path: '^packages/web/src/(?!words/)' },
    },
    {
      name: 'furniture-below-places',
      severity: 'error',
      from: { path: '^packages/web/src/(furniture|session)/' },
      to: { path: '^packages/web/src/places/' },
    },
    {
      name: 'session-below-furniture',
      severity: 'error',
      from: { path: '^packages/web/src/session/' },
      to: { path: '^packages/web/src/(furniture|instruments)/' },
    },
    {
      name: 'instruments-below-places',
      severity: 'error',
      from: { path: '^packages/web/src/instruments/' },
      to: { path: '^packages/web/src/(places|session)/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    exclude: { path: '(dist|node_modules)/' },
    enhancedResolveOptions: {
      extensions: ['.ts', '.vue', '.mjs', '.js', '.json'],
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'default'],
    },
  },
};
