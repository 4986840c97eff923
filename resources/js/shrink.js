const LONGEST_PX = 1600;
const QUALITY = 0.82;

/** A picture upright and small enough for a bad network; as it came where the device cannot shrink it. */
export async function shrink(file) {
    try {
        const image = await createImageBitmap(file, { imageOrientation: 'from-image' });
        const scale = Math.min(1, LONGEST_PX / Math.max(image.width, image.height));
        const canvas = Object.assign(document.createElement('canvas'), {
            width: Math.round(scale * image.width),
            height: Math.round(scale * image.height),
        });
        canvas.getContext('2d').drawImage(image, 0, 0, canvas.width, canvas.height);
        image.close();
        const small = await new Promise((resolve) => {
            canvas.toBlob(resolve, 'image/jpeg', QUALITY);
        });
        return small && small.size < file.size ? small : file;
    } catch {
        return file;
    }
}
