import { Readable } from "node:stream";
import { backupName, backupStream } from "@/service/keeping/backup";
import { theStore } from "@/service/the-store";
import { failure } from "../../answer";

/** The whole record and its photographs in one file, as they are now. */
export async function GET(): Promise<Response> {
  try {
    const at = new Date();
    const stream = await backupStream(theStore(), at);
    return new Response(Readable.toWeb(stream) as ReadableStream, {
      headers: {
        "content-type": "application/x-tar",
        "content-disposition": `attachment; filename="${backupName(at)}"`,
        "cache-control": "no-store",
      },
    });
  } catch (error) {
    return failure(error);
  }
}
