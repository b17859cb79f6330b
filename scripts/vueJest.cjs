// Lets Jest read single-file components: script and template compiled together, styles left out.
const { compileScript, parse } = require('@vue/compiler-sfc');
const { transformSync } = require('@swc/core');

module.exports = {
  process(source, filename) {
    const { descriptor } = parse(source, { filename });
    const { content } = compileScript(descriptor, { id: filename, inlineTemplate: true });
    const { code, map } = transformSync(content, {
      filename: `${filename}.ts`,
      sourceMaps: true,
      module: { type: 'commonjs' },
      jsc: { target: 'es2022', parser: { syntax: 'typescript' } },
    });
    return { code, map };
  },
};
