export default function Loading() {
  return (
    <p role="status" style={{ padding: 32 }}>
      opening…
    </p>
  );
}
