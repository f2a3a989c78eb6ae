/** In place of native screens, which the web has none of: the router only sets flags on them. */
module.exports = { featureFlags: { experiment: {} } };
