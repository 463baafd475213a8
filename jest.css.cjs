/** A style sheet as tests see it: each class by its name. */
module.exports = new Proxy(
  { __esModule: true },
  { get: (target, name) => (name === "default" ? module.exports : (target[name] ?? name)) },
);
