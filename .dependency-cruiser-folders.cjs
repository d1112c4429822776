const { options } = require('./.dependency-cruiser.cjs');

/** No circles of folders: a room can be read without the rooms that build on it. Tests may look at everything. */
module.exports = {
  forbidden: [
    {
      name: 'no-circles-of-folders',
      severity: 'error',
      scope: 'folder',
      from: {},
      to: { circular: true },
    },
  ],
  options: { ...options, exclude: { path: ['node_modules', '[.]test[.]tsx?$', '(^|/)testing/'] } },
};
