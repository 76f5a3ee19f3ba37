import { InputError } from "@/core";
import { failure } from "../answer";

/** An address of the interface for programs that there is not. */
const none = () =>
  failure(
    new InputError("not-found", "There is no such address. The addresses are listed at /api/v1/openapi."),
  );

export { none as DELETE, none as GET, none as PATCH, none as POST, none as PUT };
