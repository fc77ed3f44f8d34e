import Link from 'next/link';

export default function NotFound() {
  return (
    <main style={{ padding: 32 }}>
      <h1>There is nothing at this address</h1>
      <p>
        The station or page may have another number, or the address was typed by hand. Nothing is lost.{' '}
        <Link href="/">Back to Round</Link>
      </p>
    </main>
  );
}
