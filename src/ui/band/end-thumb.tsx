import { LayersDrawn } from "./layers";
import { Textures } from "./textures";
import { THUMB_WIDTH, type Thumb } from "./thumb";

const HEIGHT = 66;
const ID = "thumb";

/** The materials every small end on a page is drawn with; once a page. */
export const ThumbTextures = () => (
  <svg width="0" height="0" aria-hidden="true" className="absolute">
    <Textures id={ID} />
  </svg>
);

/** A finished end in small, fibre to the left as on the band. */
export function EndThumb({ thumb, className = "" }: { thumb: Thumb | undefined; className?: string }) {
  if (!thumb) return null;
  return (
    <svg viewBox={`0 0 ${THUMB_WIDTH} ${HEIGHT}`} aria-hidden="true" className={`shrink-0 ${className}`}>
      <LayersDrawn id={ID} axis={HEIGHT / 2} layers={thumb.layers} yarn={thumb.yarn} />
    </svg>
  );
}
