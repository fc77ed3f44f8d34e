'use client';

/**
 * Something broke in the program. What was saved is safe, and unsaved work is kept in the browser. The way back is a form’s, not a link’s:
 * the page is loaded anew, with nothing of what broke.
 */
export default function ErrorPage({ error, reset }: { error: Error; reset(): void }) {
  return (
    <main style={{ padding: 32 }}>
      <h1>This view broke</h1>
      <p>Nothing that was saved is touched; unsaved work of a station is kept in this browser. {error.message}</p>
      <form action="/">
        <button type="button" onClick={reset}>
          try again
        </button>{' '}
        <button>Back to Round</button>
      </form>
    </main>
  );
}
