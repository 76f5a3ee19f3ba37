import { wording } from "./wording";

export const { t, say, said } = wording("entry");
