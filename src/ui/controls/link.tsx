import NextLink from "next/link";
import type { ComponentProps } from "react";

/**
 * A link to another page. Nothing is asked of the server until it is followed: no page here can be drawn before its
 * figures are read, so that asking ahead for each link in sight brings nothing and costs the server more than the page.
 */
export function Link(props: Omit<ComponentProps<typeof NextLink>, "prefetch">) {
  return <NextLink {...props} prefetch={false} />;
}
