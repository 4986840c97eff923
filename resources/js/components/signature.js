import { unsentCount } from '../device-store.js';

/** A signature drawn with finger, pen or mouse, kept as the path data of an SVG of 400 by 130. */
export function signature() {
    return {
        path: '',
        isDrawing: false,
        isWaiting: false,
        point(event) {
            const box = this.$refs.pad.getBoundingClientRect();
            const clamp = (value, most) => Math.max(0, Math.min(most, Math.round(value)));
            const [right, down] = [(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height];
            return `${clamp(right * 400, 400)} ${clamp(down * 130, 130)}`;
        },
        begin(event) {
            this.isDrawing = true;
            this.$refs.pad.setPointerCapture(event.pointerId);
            this.path += 'M' + this.point(event);
        },
        draw(event) {
            if (this.isDrawing && this.path.length < 19000) {
                this.path += 'L' + this.point(event);
            }
        },
        lift() {
            this.isDrawing = false;
        },
        clear() {
            this.path = '';
        },
        // What is signed is what the server has; marks still on this device would miss it.
        async guard(event) {
            if (this.isCleared) {
                return;
            }
            event.preventDefault();
            const form = event.target;
            this.isWaiting = (await unsentCount(Number(form.dataset.run))) > 0;
            if (!this.isWaiting) {
                this.isCleared = true;
                form.requestSubmit(event.submitter);
            } // the button pressed says how it was left
        },
        isCleared: false,
    };
}
