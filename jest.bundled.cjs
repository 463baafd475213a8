const { createTransformer } = require("@swc/jest");

/** What the bundler puts in, for tests that run without it. */
const PUT_IN = [
  ["import.meta.env", "({ VITE_SHAPE: 'test', PROD: false })"],
  ["import.meta.url", "'file:///'"],
];

module.exports = {
  createTransformer(options) {
    const swc = createTransformer(options);
    const bundled = (source) => PUT_IN.reduce((text, [name, value]) => text.replaceAll(name, value), source);
    return { ...swc, process: (source, ...rest) => swc.process(bundled(source), ...rest) };
  },
};
