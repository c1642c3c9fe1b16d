/** A picture the server has taken. */
export interface UploadedPhoto {
  photo: string;
  width: number;
  height: number;
}

export type Uploaded = { ok: true; taken: UploadedPhoto } | { ok: false; problem: string; again: boolean };

export const photoUrl = (ticket: string, photo: string, size: 'picture' | 'thumbnail' = 'picture'): string =>
  `/api/v1/jobs/${encodeURIComponent(ticket)}/photos/${photo}${size === 'thumbnail' ? '?size=thumbnail' : ''}`;

/** Sends a picture under an id made here, so that sending it again after silence keeps one picture. */
export async function uploadPhoto(ticket: string, id: string, file: Blob): Promise<Uploaded> {
  try {
    const response = await fetch(photoUrl(ticket, id), {
      method: 'PUT',
      // A browser that does not know the kind says none; what it is shows when it is read.
      headers: { 'Content-Type': file.type.startsWith('image/') ? file.type : 'image/jpeg' },
      body: file,
    });
    const answer = (await response.json()) as Partial<UploadedPhoto> & {
      message?: string;
      problems?: { message: string }[];
    };
    const { photo, width, height } = answer;
    if (response.ok && photo && width && height) return { ok: true, taken: { photo, width, height } };
    const problem = answer.problems?.[0]?.message ?? answer.message ?? 'The picture was not taken.';
    return { ok: false, problem, again: response.status >= 500 };
  } catch {
    return { ok: false, problem: 'The server does not answer. The picture is still here.', again: true };
  }
}
