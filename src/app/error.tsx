'use client';
import Link from 'next/link';

/** Something broke in the program. What was saved is safe, and unsaved work is kept in the browser. */
export default function ErrorPage({ error, reset }: { error: Error; reset(): void }) {
  return (
    <main style={{ padding: 32 }}>
      <h1>This view broke</h1>
      <p>Nothing that was saved is touched; unsaved work of a station is kept in this browser. {error.message}</p>
      <p>
        <button onClick={reset}>try again</button> <Link href="/">Back to Round</Link>
      </p>
    </main>
  );
}
