import { photoUrl } from './uploadPhoto';

/** The longer side of a thumbnail on a page, px. */
const longer = 96;

/** A picture made small by the server, with its room kept until it is there. */
export function Thumbnail({
  ticket,
  photo,
  width,
  height,
  alt,
}: {
  ticket: string;
  photo: string;
  width: number;
  height: number;
  /** empty where the words beside it say what it shows */
  alt: string;
}) {
  const scale = longer / Math.max(width, height);
  return (
    // oxlint-disable-next-line nextjs/no-img-element -- the server has made it small already
    <img
      src={photoUrl(ticket, photo, 'thumbnail')}
      alt={alt}
      width={scale * width}
      height={scale * height}
      loading="lazy"
    />
  );
}
