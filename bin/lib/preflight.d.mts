export function preflightProblems(seen: {
  packages: boolean;
  npm: boolean;
  missing: string[];
  mayInstall: boolean;
  disk: number;
  memory: number;
  builds: boolean;
  writable: boolean;
}): string[];
