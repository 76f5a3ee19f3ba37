import { registerHead } from "@/store/register";
import type { Store } from "@/store/store";

/** The register's last line: it grows with every end begun or signed, and every plan that is changed. */
export const pulse = (store: Store): { n: number } => ({ n: registerHead(store).n });
