const PERSON_KEY = "clever-shelf.person";

/** Who works here, as the top bar says. */
export const person = {
  get: () => localStorage.getItem(PERSON_KEY) ?? "Merchandiser",
  set: (name: string) => localStorage.setItem(PERSON_KEY, name),
};

/** The header by which the server knows who makes a change. */
export const asPerson = () => ({ "x-person": encodeURIComponent(person.get()) });
