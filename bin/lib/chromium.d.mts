export const chromiumPackage: string;
export function findChromium(): string | undefined;
export function chromiumLaunch(more?: readonly string[]): {
  executablePath: string;
  headless: boolean | 'shell';
  args: string[];
};
