/** Size of a drawn picture, px. */
export const pictureSize = { width: 960, height: 640 } as const;

const { width, height } = pictureSize;

const drawing = (content: string, ground = '#5d5a57'): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">
<defs>
<linearGradient id="tube" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#6f6a62"/><stop offset=".3" stop-color="#e9e4d8"/><stop offset=".55" stop-color="#a59f92"/><stop offset="1" stop-color="#3c3833"/></linearGradient>
<linearGradient id="wood" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#7c5526"/><stop offset=".35" stop-color="#d8a95c"/><stop offset="1" stop-color="#5b3a16"/></linearGradient>
<filter id="soft"><feGaussianBlur stdDeviation="6"/></filter>
</defs>
<rect width="100%" height="100%" fill="${ground}"/><ellipse cx="480" cy="560" rx="460" ry="60" fill="#000" opacity=".25" filter="url(#soft)"/>
${content}
</svg>`;

const hole = (x: number, y: number, r: number) =>
  `<ellipse cx="${x}" cy="${y}" rx="${r}" ry="${r * 0.72}" fill="#2a2623"/><ellipse cx="${x}" cy="${y}" rx="${r}" ry="${r * 0.72}" fill="none" stroke="#f4efe4" stroke-width="6"/>`;

/**
 * A metal tube with holes in a row and a dent between two of them, a light edge running along it.
 *
 * @param depth of the dent: 1 as it was found, less after it was raised
 */
export const dentedTube = (dentAt: number, depth = 1): string =>
  drawing(
    `<rect x="-20" y="210" width="1000" height="240" fill="url(#tube)"/>
${[160, 400, 640, 860].map((x) => hole(x, 330, 74)).join('')}
<path d="M-20 262 H${dentAt - 90} Q${dentAt} ${262 + 44 * depth} ${dentAt + 90} 262 H980" fill="none" stroke="#fffdf6" stroke-width="9"/>
<ellipse cx="${dentAt}" cy="284" rx="84" ry="34" fill="#4b463f" opacity="${0.55 * depth}" filter="url(#soft)"/>`,
  );

/** A soldered rim with an odd bright line in half its seam. */
export const doubtfulSeam = (): string =>
  drawing(
    `<rect x="-20" y="120" width="1000" height="420" fill="url(#tube)"/>
<ellipse cx="480" cy="330" rx="236" ry="168" fill="#8d877b"/><ellipse cx="480" cy="318" rx="206" ry="142" fill="#26221f"/>
<ellipse cx="480" cy="318" rx="206" ry="142" fill="none" stroke="#efe9dc" stroke-width="10"/>
<path d="M262 372 Q330 490 500 497 Q640 492 700 380" fill="none" stroke="#fff8d8" stroke-width="5"/>`,
    '#3f3b37',
  );

/** A wooden joint with a crack running from a hole. */
export const crackedWood = (from: number): string =>
  drawing(
    `<rect x="-20" y="190" width="1000" height="260" rx="8" fill="url(#wood)"/>
${[from, from + 260].map((x) => `<ellipse cx="${x}" cy="320" rx="34" ry="30" fill="#1d120a"/>`).join('')}
<path d="M${from - 30} 312 l-46 -8 l-38 10 l-52 -12 l-40 6" fill="none" stroke="#1d120a" stroke-width="5"/>
<rect x="60" y="180" width="34" height="280" rx="6" fill="#e8dcc0"/>`,
    '#6c6f6a',
  );

/** A rod lying on a flat plate, rusted and bowed. */
export const rustedRod = (): string =>
  drawing(
    `<rect x="60" y="380" width="840" height="40" fill="#c9cdd0"/>
<path d="M90 372 Q480 316 870 372" fill="none" stroke="#8b5a35" stroke-width="16"/>
${[210, 330, 470, 590, 740].map((x, i) => `<circle cx="${x}" cy="${346 - (i === 2 ? 4 : 0)}" r="${9 + i}" fill="#5f3218" opacity=".8"/>`).join('')}
<path d="M90 380 H870" stroke="#1b1b1b" stroke-width="2" stroke-dasharray="10 8"/>`,
  );
