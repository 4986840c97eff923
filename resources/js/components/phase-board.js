/**
 * A way is dragged to another phase, by mouse or finger; by keyboard the arrow keys choose the phase, Enter lets go, Escape puts it
 * back. The server moves it on the plan, and reckons the phases anew.
 */
export const phaseBoard = () => ({
    way: null,
    place: null,
    from: null,
    words: '',

    places() {
        return [...this.way.closest('.phase-board').querySelectorAll('[data-place]')];
    },
    take(way) {
        this.way = way;
        this.place = this.from = way.closest('[data-place]');
    },
    grab(event) {
        if (event.button === 0) {
            this.take(event.target.closest('[data-way]'));
            this.at = [event.clientX, event.clientY];
        }
    },
    drag(event) {
        if (!this.way || !this.at) {
            return;
        }
        const [x, y] = [event.clientX - this.at[0], event.clientY - this.at[1]];
        this.way.style.transform = `translate(${x}px, ${y}px)`;
        const over = this.places().find((place) => {
            const box = place.getBoundingClientRect();
            return (
                event.clientX >= box.left && event.clientX < box.right && event.clientY >= box.top - 30 && event.clientY < box.bottom + 30
            );
        });
        this.over(over ?? this.from);
    },
    drop() {
        if (this.way && this.at) {
            this.settle();
        }
    },
    key(event) {
        const way = event.target.closest('[data-way]');
        const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
        if (way && by) {
            event.preventDefault();
            if (this.way !== way) {
                this.take(way);
            }
            const all = this.places();
            this.over(all[(all.indexOf(this.place) + by + all.length) % all.length]);
        } else if (this.way && event.key === 'Enter') {
            event.preventDefault();
            this.settle();
        } else if (this.way && event.key === 'Escape') {
            this.leave();
        }
    },
    over(place) {
        this.places().forEach((one) => one.classList.toggle('is-over', one === place && place !== this.from));
        this.place = place;
        this.words = place === this.from ? '' : `${this.way.dataset.way} to ${place.dataset.place}: let go, or press Enter.`;
    },
    leave() {
        this.over(this.from);
        this.way.style.transform = '';
        this.way = this.place = this.from = this.at = null;
    },
    settle() {
        const { way, place, from } = this;
        this.leave();
        if (place !== from) {
            const form = this.$root;
            form.elements.way.value = way.dataset.way;
            form.elements.from.value = from.dataset.place;
            form.elements.to.value = place.dataset.place;
            form.submit();
        }
    },
});
