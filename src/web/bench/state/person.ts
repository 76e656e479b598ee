import { create } from "zustand";

const PERSON_KEY = "clever-shelf.person";
/** Under this name works whoever has not said theirs. */
export const NOBODY = "Merchandiser";
const MOST_LETTERS = 80;

/** Who works here, as the top bar says. */
export const usePerson = create<{ name: string; call: (name: string) => void }>()((set) => ({
  name: globalThis.localStorage?.getItem(PERSON_KEY) ?? NOBODY,
  call(typed) {
    const name = typed.trim().slice(0, MOST_LETTERS) || NOBODY;
    localStorage.setItem(PERSON_KEY, name);
    set({ name });
  },
}));

export const person = () => usePerson.getState().name;

/** The header by which the server knows who makes a change. */
export const asPerson = () => ({ "x-person": encodeURIComponent(person()) });
