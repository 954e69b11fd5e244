// Turns a Vue single-file component into a CommonJS module for Jest: script setup and template in one pass, styles left out.
const { compileScript, parse } = require('@vue/compiler-sfc');
const { transformSync } = require('@swc/core');

module.exports = {
  process(source, filename) {
    // A component of a template alone is compiled as one with an empty script.
    const whole = /<script/.test(source)
      ? source
      : `<script setup>\n// Nothing of its own.\n</script>\n${source}`;
    const { descriptor } = parse(whole, { filename });
    const { content } = compileScript(descriptor, { id: filename, inlineTemplate: true });
    const options = {
      jsc: { parser: { syntax: 'typescript' }, target: 'es2022' },
      module: { type: 'commonjs' },
    };
    return { code: transformSync(content, { filename: `${filename}.ts`, ...options }).code };
  },
};
