/** Names that an object has by itself: none may serve as the id of a record, which is a name in an object too. */
export const isOwnName = (id: string) => !(id in Object.prototype);
