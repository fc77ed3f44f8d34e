'use client';
import type { ReactNode } from 'react';
import { usePerson } from './PersonProvider';

/** Whether whoever is here works: where nobody signs in everybody does; a reader looks and prints. */
export function useWorks(): boolean {
  const person = usePerson();
  return person === null || person.role !== 'reader';
}

/** Whether whoever is here has the say over all of it: where nobody signs in everybody does. */
export function useOwns(): boolean {
  const person = usePerson();
  return person === null || person.role === 'owner';
}

/** What is there for those who work; a reader would only be refused. */
export const Works = ({ children, else: otherwise = null }: { children: ReactNode; else?: ReactNode }) =>
  useWorks() ? children : otherwise;
