/** Questions that another answer leaves without a point are hidden; what was answered in them stays. */
export function moot() {
    return {
        turn() {
            const form = this.$el.closest('form');
            for (const field of form.querySelectorAll('[data-only-if]')) {
                field.hidden = !Object.entries(JSON.parse(field.dataset.onlyIf)).every(([key, wanted]) => {
                    const chosen = form.querySelector(`[name="answers[${key}]"]:checked`);
                    return chosen !== null && wanted.split(' ').includes(chosen.value) && !chosen.closest('[data-only-if][hidden]');
                });
            }
        },
    };
}
