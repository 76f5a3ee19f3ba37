import { LayersDrawn } from "./layers";
import { Textures } from "./textures";
import type { Thumb } from "./thumb";

const HEIGHT = 66;
const ID = "thumb";

/** The materials every small end on a page is drawn with; once a page. */
export const ThumbTextures = () => (
  <svg width="0" height="0" aria-hidden="true" className="absolute">
    <Textures id={ID} />
  </svg>
);

interface EndThumbProps {
  readonly thumb: Thumb | undefined;
  /** Without the blank before the fibre end: as large as its place is. */
  readonly cropped?: boolean;
  readonly className?: string;
}

/** A finished end in small, fibre to the left as on the band. */
export function EndThumb({ thumb, cropped = false, className = "" }: EndThumbProps) {
  if (!thumb) return null;
  const left = cropped ? Math.max(0, Math.min(...thumb.layers.map(({ x0 }) => x0)) - 6) : 0;
  return (
    <svg
      viewBox={`${left} 0 ${thumb.width - left} ${HEIGHT}`}
      preserveAspectRatio={cropped ? "xMinYMid" : undefined}
      aria-hidden="true"
      className={`shrink-0 ${className}`}
    >
      <LayersDrawn id={ID} axis={HEIGHT / 2} layers={thumb.layers} yarn={thumb.yarn} />
    </svg>
  );
}
