import { msAt, pxAt, turnByKey } from './strip.js';

// Disturbances on the strip of a played circuit: a grip types into its row of the script, the server plays the new run.

function attach(handle, strip, segments, left) {
    const field = document.querySelector(`#own [name="${handle.dataset.field}"]`);
    if (!field) {
        return;
    }
    const was = field.value;
    const home = pxAt(segments, Number(was) * 1000);
    const show = (seconds) => {
        handle.setAttribute('transform', `translate(${(pxAt(segments, seconds * 1000) - home).toFixed(1)} 0)`);
        handle.setAttribute('aria-valuenow', seconds);
        handle.setAttribute('aria-valuetext', `${handle.getAttribute('aria-label')} ${seconds.toFixed(1)} seconds`);
        field.value = String(Math.round(seconds * 10) / 10);
    };
    const play = () => {
        if (field.value !== was) {
            field.form.action = `${field.form.action.split('#')[0]}#strip`;
            field.form.requestSubmit();
        }
    };
    let offset = null; // where on the grip it was taken
    const x = (event) => ((event.clientX - strip.getBoundingClientRect().left) * strip.viewBox.baseVal.width) / strip.clientWidth - left;
    handle.addEventListener('pointerdown', (event) => {
        offset = x(event) - home;
        handle.setPointerCapture(event.pointerId);
        event.preventDefault();
        handle.focus();
    });
    handle.addEventListener('pointermove', (event) => {
        if (offset !== null) {
            show(Math.max(0, msAt(segments, x(event) - offset) / 1000));
        }
    });
    handle.addEventListener('pointerup', () => {
        offset = null;
        play();
    });
    handle.addEventListener('pointercancel', () => {
        offset = null;
        show(Number(was));
        field.value = was;
    });
    handle.addEventListener('keydown', (event) => turnByKey(event, field, was, show, play));
    handle.addEventListener('blur', () => {
        if (offset === null) {
            play();
        }
    });
}

export function attachPlayStrips() {
    document.querySelectorAll('.play-strip[data-segments]').forEach((strip) => {
        const segments = JSON.parse(strip.dataset.segments);
        strip.querySelectorAll('.handle').forEach((handle) => attach(handle, strip, segments, Number(strip.dataset.left)));
    });
}
