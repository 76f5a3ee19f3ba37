import { dispatch } from "../dispatch";

interface Context {
  params: Promise<{ path: string[] }>;
}

/** The interface for programs: every address under /api/v1 but the computations, by the table in the core. */
async function answer(request: Request, { params }: Context): Promise<Response> {
  const [version, ...parts] = (await params).path;
  return dispatch(request, version === "v1" ? parts : []);
}

export { answer as DELETE, answer as GET, answer as PATCH, answer as POST, answer as PUT };
