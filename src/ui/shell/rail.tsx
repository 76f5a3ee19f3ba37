"use client";

import {
  BookOpenCheck,
  Crosshair,
  Cylinder,
  Ellipsis,
  Library,
  Lightbulb,
  PencilRuler,
  Settings2,
  Spline,
  Waypoints,
} from "lucide-react";
import { usePathname } from "next/navigation";
import { Popover } from "radix-ui";
import { useState } from "react";
import { t } from "@/messages/shell";
import { Link } from "../controls/link";
import { AsideButton } from "../live/aside-button";
import { WhoButton } from "../people/who-button";
import { UnitsButton } from "../prefs/units-button";
import { TimerTray } from "../timers/tray";

const PLACES = [
  { href: "/", name: t("sheet"), icon: PencilRuler },
  { href: "/jobs", name: t("jobs"), icon: Waypoints },
  { href: "/bench", name: t("bench"), icon: Spline },
  { href: "/entry", name: t("entry"), icon: Cylinder },
  { href: "/shelf", name: t("shelf"), icon: Library },
  { href: "/ledger", name: t("ledger"), icon: BookOpenCheck },
  { href: "/insight", name: t("insight"), icon: Lightbulb },
  { href: "/practice", name: t("practice"), icon: Crosshair },
  { href: "/setup", name: t("setup"), icon: Settings2 },
] as const;

type Place = (typeof PLACES)[number];

/** Places that always fit, on a phone and on a low screen; the rest stand under More there. */
const FIRST = 4;

/** The address of the place a page belongs to, where it does not start with it. */
function placeOf(path: string): string {
  if (/^\/jobs\/[^/]+\/closures\//.test(path)) return "/entry";
  if (path === "/card") return "/";
  return path === "/feeder" ? "/jobs" : path;
}

/** The places, down the side on a desk and along the foot on a phone; what does not fit stands under More. */
export function Rail() {
  const here = placeOf(usePathname());
  const isHere = ({ href }: Place) => (href === "/" ? here === "/" : here.startsWith(href));
  return (
    <nav
      aria-label={t("places")}
      className="no-print fixed inset-x-0 bottom-0 z-10 flex border-line border-t bg-rail sm:sticky sm:top-0 sm:h-dvh sm:w-[76px] sm:shrink-0 sm:flex-col sm:overflow-y-auto sm:border-t-0 sm:border-r sm:pt-1"
    >
      {PLACES.map((place, i) => (
        <span key={place.href} className={`${TAB_ROOM} ${i < FIRST ? "" : ONLY_ROOMY}`}>
          <PlaceLink place={place} here={isHere(place)} />
        </span>
      ))}
      <AsideButton />
      <TimerTray />
      <span className={`sm:mt-auto sm:mb-2 ${TAB_ROOM} ${ONLY_ROOMY}`}>
        <UnitsButton />
      </span>
      <span className={`${TAB_ROOM} ${ONLY_ROOMY}`}>
        <WhoButton />
      </span>
      <More places={PLACES.slice(FIRST)} isHere={isHere} />
    </nav>
  );
}

const TAB_ROOM = "flex min-w-0 flex-1 sm:flex-none";
/** Shown where the rail has room for all of it: a desk, a tablet upright. */
const ONLY_ROOMY = "low:hidden max-sm:hidden";
const TAB =
  "flex min-h-14 w-full flex-1 flex-col items-center justify-center gap-0.5 text-sm low:min-h-13 sm:min-h-[62px] sm:flex-none";

function PlaceLink({ place: { href, name, icon: Icon }, here }: { place: Place; here: boolean }) {
  return (
    <Link
      href={href}
      aria-current={here ? "page" : undefined}
      className={`${TAB} ${here ? "border-now border-t-4 bg-ground font-bold sm:border-t-0 sm:border-l-4" : "text-soft"}`}
    >
      <Icon aria-hidden="true" className="size-6" strokeWidth={here ? 2.4 : 1.8} />
      {name}
    </Link>
  );
}

interface MoreProps {
  readonly places: readonly Place[];
  readonly isHere: (place: Place) => boolean;
}

/** What the bar has no room for: the other places, the units, who is working. */
function More({ places, isHere }: MoreProps) {
  const [open, setOpen] = useState(false);
  // Beside a bar down the side, above one along the foot.
  const [side, setSide] = useState<"top" | "right">("top");
  const here = places.find(isHere);
  const change = (next: boolean) => {
    setSide(window.matchMedia("(min-width: 640px)").matches ? "right" : "top");
    setOpen(next);
  };
  return (
    <span className={`${TAB_ROOM} low:flex sm:hidden`}>
      <Popover.Root open={open} onOpenChange={change}>
        <Popover.Trigger
          className={`${TAB} ${here ? "border-now border-t-4 bg-ground font-bold sm:border-t-0 sm:border-l-4" : "text-soft"}`}
        >
          <Ellipsis aria-hidden="true" className="size-6" strokeWidth={1.8} />
          {t("more")}
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content
            aria-label={t("more-places")}
            side={side}
            align="end"
            collisionPadding={8}
            className="z-30 grid max-h-[80dvh] w-56 gap-1 overflow-y-auto rounded-lg border-2 border-ink bg-raised p-2 shadow-lg"
          >
            {places.map((place) => (
              <Link
                key={place.href}
                href={place.href}
                aria-current={isHere(place) ? "page" : undefined}
                onClick={() => setOpen(false)}
                className="flex min-h-12 items-center gap-3 rounded-md px-3 font-semibold aria-[current]:bg-now-wash"
              >
                <place.icon aria-hidden="true" className="size-6" strokeWidth={1.8} />
                {place.name}
              </Link>
            ))}
            <div className="flex border-line border-t pt-1">
              <UnitsButton />
              <WhoButton />
            </div>
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
    </span>
  );
}
