/**
 * No circles between folders: of two rooms one stands above the other, so that a reader can begin at the bottom. What is imported only as
 * a type is left out, since a type binds nobody to an order; so are tests, which may look into any room.
 */
module.exports = {
  forbidden: [
    { name: 'no-circles-between-rooms', severity: 'error', scope: 'folder', from: { path: '^(server|web)/' }, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    includeOnly: '^(server|web)/',
    exclude: { path: '(^|/)dist/|[.]test[.]|/testing/' },
    tsPreCompilationDeps: false,
    tsConfig: { fileName: 'tsconfig.json' },
  },
};
