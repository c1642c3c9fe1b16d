export const systemPlaces: string;
export function isEnterable(folder: string): boolean;
export function placeOf(options: {
  dataDir: string;
  checkout: string;
  say?: (text: string) => void;
  system?: string;
  former?: string;
  inside?: boolean;
}): string;
