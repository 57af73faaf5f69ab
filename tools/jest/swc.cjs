// @ts-check
// TypeScript by swc, with the globals that the model asks for in every step as plain names: looking one up in Jest's
// sandbox costs more than the sum that it is asked for.
const { createTransformer } = require('@swc/jest');

const GLOBALS = 'const { Math, Float64Array, Number } = globalThis;';
const swc = createTransformer({ jsc: { target: 'es2022', parser: { syntax: 'typescript' } } });

module.exports = {
  ...swc,
  /** @param {string} source @param {string} path @param {import('@jest/transform').TransformOptions} options */
  process(source, path, options) {
    const done = swc.process?.(source, path, options);
    if (!done) throw new Error(`swc gave nothing for ${path}`);
    // On the first line, so that line numbers stay.
    return { ...done, code: GLOBALS + done.code };
  },
};
