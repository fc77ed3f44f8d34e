'use client';
import { createContext, useContext, type ReactNode } from 'react';

/** Whoever is signed in, as the screens know him. */
export interface PersonShown {
  readonly name: string;
  readonly role: 'reader' | 'installer' | 'owner';
  /** Held to some stations, he sees nothing of others. */
  readonly held: boolean;
}

const Here = createContext<PersonShown | null>(null);

/** Tells the screens who is signed in. */
export const PersonProvider = ({ person, children }: { person: PersonShown | null; children: ReactNode }) => (
  <Here value={person}>{children}</Here>
);

/** Whoever is signed in; null where nobody signs in here. */
export const usePerson = (): PersonShown | null => useContext(Here);
