"use client";

import { BookOpenCheck, Cylinder, Library, PencilRuler, Settings2, Spline, Waypoints } from "lucide-react";
import { usePathname } from "next/navigation";
import { Link } from "../controls/link";
import { AsideButton } from "../live/aside-button";
import { WhoButton } from "../people/who-button";
import { UnitsButton } from "../prefs/units-button";
import { TimerTray } from "../timers/tray";

const PLACES = [
  { href: "/", name: "Sheet", icon: PencilRuler },
  { href: "/jobs", name: "Jobs", icon: Waypoints },
  { href: "/bench", name: "Bench", icon: Spline },
  { href: "/entry", name: "Entry", icon: Cylinder },
  { href: "/shelf", name: "Shelf", icon: Library },
  { href: "/ledger", name: "Ledger", icon: BookOpenCheck },
  { href: "/setup", name: "Setup", icon: Settings2 },
] as const;

/** The places, down the side on a desk and along the foot on a phone. */
export function Rail() {
  const path = usePathname();
  return (
    <nav
      aria-label="Places"
      className="no-print fixed inset-x-0 bottom-0 z-10 flex border-line border-t bg-rail sm:sticky sm:top-0 sm:h-dvh sm:w-[76px] sm:shrink-0 sm:flex-col sm:border-t-0 sm:border-r sm:pt-1"
    >
      {PLACES.map(({ href, name, icon: Icon }) => {
        const here = href === "/" ? path === "/" : path.startsWith(href);
        return (
          <Link
            key={href}
            href={href}
            aria-current={here ? "page" : undefined}
            className={`flex min-h-14 flex-1 flex-col items-center justify-center gap-0.5 text-sm sm:min-h-[62px] sm:flex-none ${here ? "border-now border-t-4 bg-ground font-bold sm:border-t-0 sm:border-l-4" : "text-soft"}`}
          >
            <Icon aria-hidden="true" className="size-6" strokeWidth={here ? 2.4 : 1.8} />
            {name}
          </Link>
        );
      })}
      <AsideButton />
      <TimerTray />
      <UnitsButton />
      <WhoButton />
    </nav>
  );
}
