export function stages(print?: (line: string) => void, clock?: () => number): (text: string) => void;
