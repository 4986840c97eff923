const csrf = () => document.querySelector('meta[name=csrf-token]').content;

/**
 * A visit is dragged to another person or day, by mouse, finger or keyboard (arrow keys move it, Enter lets go, Escape puts it back).
 * The server says whether it can stand there; where it cannot, it stays and the reason is shown.
 */
export const visitPlan = () => ({
    box: null,
    slot: null,
    from: null,
    words: '',

    slots() {
        return [...this.$root.querySelectorAll('[data-slot]')];
    },
    slotAt(y) {
        return this.slots().find((one) => {
            const box = one.firstElementChild.getBoundingClientRect();
            return y >= box.top && y < box.bottom;
        });
    },
    grab(event) {
        const box = event.target.closest('[data-visit]');
        if (box && event.button === 0) {
            this.box = box;
            this.slot = this.from = box.closest('[data-slot]');
            this.startY = event.clientY;
        }
    },
    drag(event) {
        if (this.box) {
            if (Math.abs(event.clientY - this.startY) > 4) {
                event.preventDefault();
                this.box.setAttribute('transform', `translate(0 ${event.clientY - this.startY})`);
            }
            this.over(this.slotAt(event.clientY));
        }
    },
    drop() {
        if (this.box) {
            this.settle();
        }
    },
    key(event) {
        const box = event.target.closest('[data-visit]');
        const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
        if (box && by) {
            event.preventDefault();
            if (this.box !== box) {
                this.box = box;
                this.slot = this.from = box.closest('[data-slot]');
            }
            const all = this.slots();
            this.over(all[Math.max(0, Math.min(all.length - 1, all.indexOf(this.slot) + by))]);
        } else if (this.box && event.key === 'Enter') {
            event.preventDefault();
            this.settle();
        } else if (this.box && event.key === 'Escape') {
            this.leave();
        }
    },
    over(slot) {
        this.slots().forEach((one) => one.classList.toggle('is-over', one === slot && slot !== this.from));
        if (slot && slot !== this.slot) {
            this.slot = slot;
            const [, date] = slot.dataset.slot.split('/');
            this.words = `To ${date}: let go, or press Enter.`;
        }
    },
    leave() {
        this.box?.removeAttribute('transform');
        this.slots().forEach((one) => one.classList.remove('is-over'));
        this.box = this.slot = this.from = null;
    },
    async settle() {
        const { box, slot, from } = this;
        this.leave();
        if (!slot || slot === from) {
            this.words = '';
            return;
        }
        const [person, on] = slot.dataset.slot.split('/');
        this.words = 'Asking whether it can stand there …';
        try {
            const answer = await fetch(this.$root.dataset.move.replace('VISIT', box.dataset.visit), {
                method: 'PUT',
                headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-CSRF-TOKEN': csrf() },
                body: JSON.stringify({ person: Number(person), on }),
            });
            const said = await answer.json();
            if (answer.ok) {
                location.reload();
            } else {
                this.words = `It stays where it is. ${said.message ?? ''}`;
            }
        } catch {
            this.words = 'No network: it stays where it is.';
        }
    },
});
