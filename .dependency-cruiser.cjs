/** The layers of the server, from the bottom up: a folder imports those before it, and never one after. */
const LAYERS = [
  'store',
  'language',
  'sql',
  'ports',
  'context',
  'lookup',
  'words',
  'log',
  'photos',
  'people',
  'catalogue',
  'due',
  'jobs',
  'notices',
  'faults',
  'proof',
  'register',
  'measure',
  'pages',
  'clock',
  'http',
];

const layers = LAYERS.map((layer, i) => ({
  name: `server-${layer}`,
  comment: `server/${layer} may import ${LAYERS.slice(0, i).join(', ') || 'nothing of the server'}.`,
  severity: 'error',
  from: { path: `^server/${layer}/` },
  to: { path: '^server/', pathNot: `^server/(${LAYERS.slice(0, i + 1).join('|')})/` },
}));

module.exports = {
  forbidden: [
    {
      name: 'no-circle',
      comment: 'No file leads back to itself.',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    {
      name: 'no-folder-circle',
      comment: 'No folder of the server leads back to itself.',
      severity: 'error',
      scope: 'folder',
      from: { path: '^server/' },
      to: { circular: true },
    },
    ...layers,
    {
      name: 'pages-by-http',
      comment: 'A page gathers what one screen shows; nothing is built on it but http and other pages.',
      severity: 'error',
      from: { path: '^server/', pathNot: '^server/(http|pages)/' },
      to: { path: '^server/pages/' },
    },
    {
      name: 'sequelize-in-store',
      comment: 'Sequelize and SQLite are spoken in store and sql alone.',
      severity: 'error',
      from: { path: '^server/', pathNot: '^server/(store|sql)/' },
      to: { path: 'node_modules/(sequelize|sqlite3)/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.vue', '.js'] },
  },
};
