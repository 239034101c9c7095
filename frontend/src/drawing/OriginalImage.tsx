import { t } from "../frame/language";

interface Props {
  href: string;
  paper: { width: number; height: number };
}

/** The file a sheet was read from, in its place under what was read. */
export function OriginalImage({ href, paper }: Props) {
  const { width, height } = paper;
  return (
    <image
      href={href}
      x={0}
      y={0}
      width={width}
      height={height}
      role="img"
      aria-label={t("The file this sheet was read from")}
    />
  );
}
