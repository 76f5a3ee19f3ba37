import { answer } from "../../answer";
import { openApi } from "../../openapi";

/** The interface for programs, as OpenAPI 3.1. */
export const GET = () => answer(openApi);
