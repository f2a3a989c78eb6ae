/**
 * In place of stacks of native screens, which the web has none of: the router makes one as it loads, and shows it
 * nowhere.
 */
module.exports = { createNativeStackNavigator: () => ({ Navigator: () => null }) };
