// Bringing in a recording: the beginning of the chosen file is enough to say what its columns could be.
const HEAD_BYTES = 65536;

export const recordingForm = () => ({
    async look() {
        const form = this.$root;
        const input = form.querySelector('input[type=file]');
        const chosen = [...input.files];
        if (chosen.length === 0) {
            return;
        }
        const name = form.querySelector('[name=name]');
        if (name?.value === '') {
            name.value = chosen[0].name.replace(/\.[^.]+$/, '');
        }
        const body = new FormData();
        body.append('_token', form.querySelector('[name=_token]').value);
        body.append('phases', form.querySelector('[name=phases]:checked, [name=phases][type=hidden]')?.value ?? '2');
        chosen
            .filter((file) => !/\.dat$/i.test(file.name))
            .forEach((file) => body.append(input.name, file.slice(0, HEAD_BYTES), file.name));
        const answer = await fetch(form.dataset.look, { method: 'POST', body });
        if (answer.ok) {
            form.querySelector('[data-columns]').innerHTML = await answer.text();
        }
    },
});

// Dragging over a recording chooses the stretch to look at; the server draws it.
export const recordingZoom = () => ({
    from: null,

    place(event) {
        const drawing = this.$root.querySelector('svg.recording');
        const box = drawing.getBoundingClientRect();
        const left = (Number(drawing.dataset.left) * box.width) / drawing.viewBox.baseVal.width;
        const share = Math.max(0, Math.min(1, (event.clientX - box.left - left) / (box.width - left)));
        return {
            x: left + share * (box.width - left),
            ms: Math.round(Number(drawing.dataset.from) + share * (Number(drawing.dataset.to) - Number(drawing.dataset.from))),
        };
    },
    begin(event) {
        if (event.button === 0) {
            this.from = this.place(event);
            event.preventDefault();
        }
    },
    move(event) {
        if (this.from === null) {
            return;
        }
        const to = this.place(event);
        const span = this.$refs.span;
        span.hidden = false;
        span.style.left = `${Math.min(this.from.x, to.x)}px`;
        span.style.width = `${Math.abs(to.x - this.from.x)}px`;
    },
    end(event) {
        if (this.from === null) {
            return;
        }
        const [from, to] = [this.from, this.place(event)].sort((a, b) => a.ms - b.ms);
        this.from = null;
        this.$refs.span.hidden = true;
        if (to.x - from.x > 6) {
            location.assign(`${this.$root.dataset.url}?from=${from.ms}&to=${to.ms}`);
        }
    },
});
