import type { Store } from "@/store/database/store";
import { registerGrowth } from "@/store/record/register";

/** The register's last line: it grows with every end begun or signed, and every plan that is changed. */
export const pulse = (store: Store): { n: number } => ({ n: registerGrowth(store) });
