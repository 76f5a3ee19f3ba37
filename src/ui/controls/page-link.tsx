import { Link } from "./link";

/** Goes to another page of a list. */
export const PageLink = ({ href, name }: { href: string; name: string }) => (
  <Link href={href} className="flex min-h-12 items-center rounded-lg border border-line px-4 font-semibold">
    {name}
  </Link>
);
