/** Curved lanes of a running track: the mark. */
export function Mark() {
  return (
    <svg width="22" height="18" viewBox="0 0 22 18" fill="none" stroke="var(--mark)" strokeWidth="1.7" aria-hidden>
      <path d="M1 17V9a8 8 0 0 1 8-8h12" />
      <path d="M5 17V10a5 5 0 0 1 5-5h11" opacity=".75" />
      <path d="M9 17v-6a2 2 0 0 1 2-2h10" opacity=".5" />
    </svg>
  );
}
