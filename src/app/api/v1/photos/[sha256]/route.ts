import { photoOf } from "@/service/end/photos";
import { theStore } from "@/service/the-store";
import { failure } from "../../../answer";

export async function GET(_request: Request, { params }: { params: Promise<{ sha256: string }> }) {
  try {
    const bytes = photoOf(theStore(), (await params).sha256);
    return new Response(new Uint8Array(bytes), {
      headers: {
        "content-type": "image/jpeg",
        "cache-control": "private, max-age=31536000, immutable",
        "x-content-type-options": "nosniff",
      },
    });
  } catch (error) {
    return failure(error);
  }
}
