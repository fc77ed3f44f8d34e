/** What stands in a view until it is there. */
export function Opening() {
  return (
    <p role="status" style={{ padding: 32 }}>
      opening…
    </p>
  );
}
