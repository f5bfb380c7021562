import sharp from 'sharp'

export type PictureKind = 'board' | 'belt'

const chip = (x: number, y: number, w: number, h: number) =>
  `<rect x="${x}" y="${y}" width="${w}" height="${h}" rx="6" fill="#26282b"/><circle cx="${x + 16}" cy="${y + h - 16}" r="6" fill="#3a3d41"/>` +
  Array.from(
    { length: Math.floor(w / 26) },
    (_, i) =>
      `<rect x="${x + 10 + i * 26}" y="${y - 12}" width="12" height="14" fill="#b9bcc0"/><rect x="${x + 10 + i * 26}" y="${y + h - 2}" width="12" height="14" fill="#b9bcc0"/>`,
  ).join('')
const can = (x: number, y: number, r: number) =>
  `<circle cx="${x}" cy="${y}" r="${r}" fill="#c9ccd0"/><path d="M${x - r} ${y}a${r} ${r} 0 0 1 ${r} ${-r}v${2 * r}a${r} ${r} 0 0 1 ${-r} ${-r}" fill="#31436a" opacity=".85"/>`
const screw = (x: number, y: number) =>
  `<circle cx="${x}" cy="${y}" r="20" fill="#8f9499"/><path d="M${x - 12} ${y}h24M${x} ${y - 12}v24" stroke="#4a4e52" stroke-width="5"/>`
const pins = (x: number, y: number, n: number, dx = 22) =>
  Array.from(
    { length: n },
    (_, i) =>
      `<rect x="${x + i * dx}" y="${y}" width="9" height="9" fill="#e0c878"/><rect x="${x + i * dx}" y="${y + 22}" width="9" height="9" fill="#e0c878"/>`,
  ).join('')

/** Drawn pictures in place of photographs: no real equipment. */
const PICTURES: Readonly<Record<PictureKind, () => string>> = {
  board: () => `
    <rect width="1600" height="1200" fill="#6d675d"/><rect x="40" y="40" width="1520" height="1120" rx="18" fill="#9fa4a8"/>
    <rect x="90" y="90" width="1420" height="1020" rx="10" fill="#2f5b46"/>
    ${Array.from({ length: 22 }, (_, i) => `<path d="M${130 + i * 60} ${180 + (i % 5) * 40}v${320 + (i % 7) * 60}h${(i % 3) * 40}v${120}" stroke="#3f7058" stroke-width="5" fill="none"/>`).join('')}
    <rect x="420" y="60" width="760" height="96" rx="6" fill="#c9b48a"/><rect x="450" y="84" width="700" height="48" fill="#5a5146"/>${pins(474, 92, 30)}
    <rect x="1290" y="80" width="180" height="110" rx="6" fill="#e6e1d4"/>${[0, 1, 2, 3].map(i => `<circle cx="${1322 + i * 40}" cy="134" r="13" fill="#6c675d"/>`).join('')}
    <rect x="240" y="214" width="150" height="56" fill="#202225"/>${pins(250, 222, 6)}<rect x="268" y="216" width="26" height="50" rx="4" fill="#1c4f8a"/>
    <rect x="440" y="226" width="190" height="36" rx="4" fill="#7b3f2a"/>
    ${chip(330, 420, 330, 110)}${chip(760, 400, 250, 110)}${chip(760, 620, 250, 110)}${chip(330, 640, 250, 100)}
    ${can(1120, 430, 44)}${can(1120, 560, 44)}${can(1250, 500, 58)}${can(650, 820, 36)}
    ${[0, 1, 2, 3, 4].map(i => `<rect x="${1060 + i * 60}" y="720" width="40" height="16" rx="8" fill="#d8c39a"/><path d="M${1070 + i * 60} 720v16M${1082 + i * 60} 720v16" stroke="#7a3b1c" stroke-width="4"/>`).join('')}
    <rect x="500" y="1020" width="160" height="66" rx="5" fill="#f0ece0"/>${[0, 1, 2, 3, 4].map(i => `<path d="M${520 + i * 28} 1086q${-30 + i * 10} 60 ${-90 + i * 30} 100" stroke="${['#a33', '#3a62a8', '#c9a227', '#333', '#ddd'][i]}" stroke-width="9" fill="none"/>`).join('')}
    <path d="M1000 1110q90 -120 150 -130t180 60" stroke="#333" stroke-width="12" fill="none"/><path d="M1000 1130q90 -120 150 -130t180 60" stroke="#a33" stroke-width="12" fill="none"/><rect x="1128" y="966" width="26" height="60" rx="6" fill="#eee"/>
    <rect x="1468" y="770" width="52" height="52" rx="26" fill="#3d3f42"/><rect x="1486" y="740" width="14" height="90" rx="7" fill="#d9dcdf"/>
    ${screw(105, 600)}${screw(120, 1080)}${screw(1480, 1080)}`,
  belt: () => `
    <rect width="1600" height="1200" fill="#6d675d"/><rect x="60" y="60" width="1480" height="1080" rx="18" fill="#a9aeb2"/>
    <circle cx="1020" cy="600" r="360" fill="#83898e"/><circle cx="1020" cy="600" r="330" fill="#9da3a8"/>
    ${Array.from({ length: 60 }, (_, i) => `<path d="M1020 600l${300 * Math.cos((i * Math.PI) / 30)} ${300 * Math.sin((i * Math.PI) / 30)}l${-14 * Math.sin((i * Math.PI) / 30)} ${14 * Math.cos((i * Math.PI) / 30)}z" fill="#24272a"/>`).join('')}
    <circle cx="1020" cy="600" r="210" fill="#9da3a8"/><circle cx="1020" cy="600" r="70" fill="#c8ccd0"/><circle cx="1020" cy="600" r="22" fill="#5a5f63"/>
    <circle cx="330" cy="820" r="150" fill="#c2c6ca"/><circle cx="330" cy="820" r="46" fill="#b89b52"/>
    <path d="M300 785L900 262M366 850L1180 920" stroke="#1d1d1d" stroke-width="16"/>
    <path d="M470 860q150 60 330 170" stroke="#a33" stroke-width="12" fill="none"/><path d="M460 880q150 80 320 180" stroke="#222" stroke-width="12" fill="none"/>
    ${screw(130, 140)}${screw(1470, 140)}${screw(130, 1070)}${screw(1470, 1070)}`,
}

/** One as a JPEG, 1600 by 1200. */
export function drawPicture(kind: PictureKind): Promise<Buffer> {
  return sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="1600" height="1200" viewBox="0 0 1600 1200">${PICTURES[kind]()}</svg>`,
    ),
  )
    .jpeg({ quality: 86 })
    .toBuffer()
}
