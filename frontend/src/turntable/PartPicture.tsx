/** A part as a small still card model, for lists. */
export function PartPicture({ model, label = "" }: { model: number; label?: string }) {
  return (
    <img
      src={`/api/models/${model}/picture`}
      alt={label}
      loading="lazy"
      decoding="async"
      style={{ width: "100%", height: "100%", objectFit: "contain", display: "block" }}
    />
  );
}
