/** A small cloth with one corner turned: the product's mark. */
export function FukusaMark() {
  return (
    <svg viewBox="0 0 26 26" aria-hidden="true">
      <path d="M2 2h22v14l-8 8H2z" fill="var(--indigo)" />
      <path d="M24 16h-8v8z" fill="var(--kaki)" />
      <path d="M5 5h16v10" fill="none" stroke="var(--sheet)" strokeDasharray="2 1.4" />
    </svg>
  );
}
