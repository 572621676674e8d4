const { options } = require('./.dependency-cruiser.cjs');

/** No two folders look at each other both ways, nor round about; what tests look at is left out. */
module.exports = {
  forbidden: [
    { name: 'no-circles-of-folders', severity: 'error', scope: 'folder', from: {}, to: { circular: true } },
  ],
  options: { ...options, exclude: { path: ['/dist/.+\\.spec\\.', '\\.spec\\.ts$', '/testing/'] } },
};
