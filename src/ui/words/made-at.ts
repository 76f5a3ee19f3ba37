import { type Address, attempt, type EndRecord, marked, parseAddress } from "@/core";
import { t } from "@/messages/words";
import { colourText } from "./fibre-text";

/** An address with the colour that distinguishes each element: `tube 1 BL / fibre 3 GR` (TIA-598, from memory). */
export const addressInColours = (address: Address): string =>
  address
    .map(({ kind, position, towards }) =>
      [kind, position, colourText(marked(position)), towards && t("towards", { towards })]
        .filter(Boolean)
        .join(" "),
    )
    .join(" / ");

/** The same of an address as it is written; what cannot be read stays as it is. */
const inColours = (text: string): string => {
  const read = attempt(() => parseAddress(text)).value;
  return read ? addressInColours(read) : text;
};

/** Where an end was made: its piece, side or station, element with its colour, and the plan's revision. */
export const madeAtText = ({ name, side, station, address, plan }: NonNullable<EndRecord["where"]>): string =>
  [name, side ? `side ${side}` : station, inColours(address), `plan ${plan}`].filter(Boolean).join(", ");
