'use client';
import { SnackbarProvider } from 'notistack';
import { useEffect } from 'react';
import { messagesAreReady } from './notify';

/** Where messages are shown. */
export function Messages() {
  useEffect(messagesAreReady, []);
  return (
    <SnackbarProvider maxSnack={3} autoHideDuration={5000} anchorOrigin={{ vertical: 'bottom', horizontal: 'right' }} />
  );
}
