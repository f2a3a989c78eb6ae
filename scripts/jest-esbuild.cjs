const { transformSync } = require('esbuild');

/** Types away, modules to what Jest's own loader reads. */
module.exports = {
  process(source, path) {
    const { code, map } = transformSync(source, {
      loader: path.endsWith('.ts') ? 'ts' : 'js',
      format: 'cjs',
      target: 'node20',
      sourcemap: true,
      sourcefile: path,
      supported: { 'import-meta': true },
    });
    return { code, map };
  },
};
