import { InputError } from "@/core";
import { say } from "@/messages/service";
import { failure } from "../answer";

/** An address of the interface for programs that there is not. */
const none = () => failure(new InputError("not-found", say("there-is-no-such-address-the-addresses")));

export { none as DELETE, none as GET, none as PATCH, none as POST, none as PUT };
