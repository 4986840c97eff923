/**
 * A list whose lines are moved by grip, arrow or number. Moving only writes the numbers and sends the form; what the
 * new order means is the server's answer.
 */
export function ranks() {
    let held = null;

    return {
        init() {
            const list = this.$refs.list;
            if (!list) {
                return;
            }
            list.addEventListener('pointerdown', (event) => {
                if (!event.target.closest('[data-grip]')) {
                    return;
                }
                held = event.target.closest('[data-rank]');
                held.classList.add('is-held');
                list.setPointerCapture(event.pointerId);
                event.preventDefault();
            });
            list.addEventListener('pointermove', (event) => {
                if (!held) {
                    return;
                }
                const other = [...list.querySelectorAll('[data-rank][data-fixed="0"]')].find(
                    (line) => line !== held && this.isOver(line, event.clientY),
                );
                if (other) {
                    this.place(other, event.clientY);
                }
            });
            for (const end of ['pointerup', 'pointercancel']) {
                list.addEventListener(end, () => {
                    if (!held) {
                        return;
                    }
                    held.classList.remove('is-held');
                    held = null;
                    this.renumber();
                });
            }
        },
        isOver(line, y) {
            const box = line.getBoundingClientRect();
            return y > box.top && y < box.bottom;
        },
        place(other, y) {
            const box = other.getBoundingClientRect();
            if (y < box.top + box.height / 2) {
                other.before(held);
            } else {
                other.after(held);
            }
        },
        up(event) {
            this.move(event, 'previousElementSibling', 'before');
        },
        down(event) {
            this.move(event, 'nextElementSibling', 'after');
        },
        move(event, towards, side) {
            const line = event.target.closest('[data-rank]');
            const other = line[towards];
            if (other && other.dataset.fixed === '0') {
                other[side](line);
                this.renumber();
            }
        },
        /** Loads that must run keep their number; the others count on from 2. */
        renumber() {
            const lines = this.$refs.list.querySelectorAll('[data-rank][data-fixed="0"] [data-priority]');
            lines.forEach((field, place) => {
                field.value = Math.min(99, place + 2);
            });
            this.changed();
        },
        changed() {
            this.$root.dispatchEvent(new CustomEvent('ranks-changed'));
        },
    };
}
