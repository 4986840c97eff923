/** One cursor over all lanes of the chart of a load test: it stands on a reading, by pointer or arrow keys, and says its figures. */
export const testCursor = () => ({
    readings: [],
    at: -1,

    init() {
        this.readings = JSON.parse(this.$el.dataset.readings);
    },
    get words() {
        return this.readings[this.at]?.words ?? 'Point at the chart, or use the arrow keys.';
    },
    point(event) {
        const drawing = this.$root.querySelector('svg.load-chart');
        const box = drawing.getBoundingClientRect();
        const x = ((event.clientX - box.left) * drawing.viewBox.baseVal.width) / box.width;
        let nearest = -1;
        this.readings.forEach((one, i) => {
            if (nearest < 0 || Math.abs(one.x - x) < Math.abs(this.readings[nearest].x - x)) {
                nearest = i;
            }
        });
        this.show(nearest);
    },
    step(event) {
        const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
        if (by) {
            event.preventDefault();
            this.show(Math.max(0, Math.min(this.readings.length - 1, this.at + by)));
        }
    },
    show(place) {
        this.at = place;
        const line = this.$root.querySelector('[data-cursor]');
        if (line && this.readings[place]) {
            line.setAttribute('d', line.getAttribute('d').replace(/^M[\d.]+/, `M${this.readings[place].x}`));
            line.classList.add('is-shown');
        }
    },
});
