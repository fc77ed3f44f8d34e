'use client';
import dynamic from 'next/dynamic';

/** Something that went wrong, or is to be known. It is seldom there, and fetched when it is. */
export const Notice = dynamic(() => import('@mui/material/Alert'), { loading: () => null });
