// Keys for a shop that has none yet, made in the page of its first owner: from then on nobody comes in without one.

/** Opens the door, makes the first owner and gives the others of the demo their keys; the page is the owner's bench then. */
export async function giveKeys(page, address) {
  await page.goto(`${address}/sign-in`);
  await page.evaluate(async () => {
    const send = (path, body) =>
      fetch(`/api/auth${path}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(body),
      });
    await send('/first-owner', {
      name: 'Ottoline Marsh',
      email: 'ottoline@lantern-lane.example',
      password: 'only for a while',
    });
    await send('/keys', { name: 'Perrin Oake', role: 'technician', pin: '2718' });
    await send('/keys', { name: 'Juno Tam', role: 'apprentice', pin: '3141' });
  });
}
