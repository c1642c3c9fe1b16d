// Nothing but plain old syntax in here: it has to run, and speak, on a Node that can run nothing else of ours.

/** The oldest Node that has all that is used, as package.json states it too. */
export var neededNode = '20.12.0';

/** Is version a at least version b? Both as 20.11.0 */
export function isAtLeast(a, b) {
  var [left, right] = [a, b].map(function (version) {
    return version.replace(/^v/, '').split('.').map(Number);
  });
  for (var i = 0; i < 3; i += 1) if (left[i] !== right[i]) return left[i] > right[i];
  return true;
}

/** What to say of a Node that is too old, or null. */
export function nodeProblem(version, path) {
  if (isAtLeast(version, neededNode)) return null;
  return (
    'Holotonos needs Node ' +
    neededNode +
    ' or newer; ' +
    path +
    ' is Node ' +
    version.replace(/^v/, '') +
    '.\n' +
    'On Debian 13:  apt-get update && apt-get install nodejs npm\n' +
    'Debian 12’s own package is too old. Unpack an official Linux archive of Node 20 or 22 in /opt/node, then:\n' +
    '  export PATH=/opt/node/bin:$PATH'
  );
}

/** Ends the program, in words, where Node is too old for the rest of it. */
export function checkNode() {
  var problem = nodeProblem(process.version, process.execPath);
  if (problem === null) return;
  console.error(problem);
  process.exit(1);
}
