const made = new Set<string>();

/** An id that nobody else has, for what is made here. */
export function newId() {
  const id = crypto.randomUUID().slice(0, 8);
  made.add(id);
  return id;
}

/** Whether what has this id was made here since the page was opened. */
export const isNew = (id: string) => made.has(id);
