/** An id that nobody else has, for what is made here. */
export const newId = () => crypto.randomUUID().slice(0, 8);
