/** Says what happens, a line each, with the seconds since the beginning. */
export function stages(print = (line) => console.log(line), clock = () => performance.now()) {
  const begun = clock();
  return (text) => {
    const seconds = ((clock() - begun) / 1000).toFixed(1).padStart(6);
    for (const line of String(text).split('\n')) print(`${seconds} s  ${line}`);
  };
}
