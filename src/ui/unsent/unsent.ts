'use client';
import { createContext, use } from 'react';

/** The act that makes the station on the screen, while it is on this device only; null: it has its number. */
export const UnsentContext = createContext<string | null>(null);

export const useUnsent = (): string | null => use(UnsentContext);
