const SCALE = 2; // a print wants more points than a screen
const MOST_PIXELS = 16_000; // wider canvases are refused by some phones

/** The server's drawing for paper, from the answer that brings it as a file, painted on a canvas and saved as a PNG. */
export async function savePicture(answer) {
    if (!answer.ok) {
        return;
    }
    const name = /filename="([^"]+)\.svg"/.exec(answer.headers.get('Content-Disposition') ?? '')?.[1] ?? 'drawing';
    const image = new Image();
    image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(await answer.text())}`;
    await image.decode();
    const scale = Math.min(SCALE, MOST_PIXELS / image.width);
    const canvas = Object.assign(document.createElement('canvas'), { width: image.width * scale, height: image.height * scale });
    const paper = canvas.getContext('2d');
    paper.fillStyle = '#fff';
    paper.fillRect(0, 0, canvas.width, canvas.height);
    paper.drawImage(image, 0, 0, canvas.width, canvas.height);
    Object.assign(document.createElement('a'), { download: `${name}.png`, href: canvas.toDataURL('image/png') }).click();
}

export function picture() {
    return {
        async save(event) {
            await savePicture(await fetch(event.target.dataset.from));
        },
    };
}
