/** In place of what writes into the head of the page: its one title and style are in the page itself. */
module.exports = { HelmetProvider: ({ children }) => children, Helmet: () => null };
