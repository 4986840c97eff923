// Which mark starts which interval, by the core's test methods (TestMethod::toArray). The cases in core/tests/data/marks.json are
// answered by this and by the core; a rule of its own has no place here.

// What decides between marks of the same millisecond, by event.
const ranks = (methods) => new Map(methods.flatMap((method) => method.steps.map((step) => [step.event, step.rank])));

const find = (run, event, fromPlace = 0) => {
    const place = run.slice(fromPlace).findIndex((mark) => mark.event === event);
    return place < 0 ? null : place + fromPlace;
};

/** The marks that count, in the order in which they happened. */
export function standing(marks, methods) {
    const rank = ranks(methods);
    const undone = new Set(marks.filter((mark) => mark.undone).map((mark) => mark.id));
    return marks
        .filter((mark) => !undone.has(mark.id) && rank.has(mark.event))
        .sort((a, b) => a.at_ms - b.at_ms || rank.get(a.event) - rank.get(b.event));
}

/** The standing marks as timed runs: each begins with the first mark of a method. */
export function runsOf(marks, methods) {
    const opens = methods.map((method) => method.steps[0].event);
    return standing(marks, methods).reduce((runs, mark) => {
        if (runs.length === 0 || opens.includes(mark.event)) {
            runs.push([]);
        }
        runs.at(-1).push(mark);
        return runs;
    }, []);
}

export const methodOf = (run, methods) => methods.find((method) => method.steps[0].event === run[0]?.event) ?? methods[0];

/** Where the interval that a step ends begins in a run: the event, the mark or null, the window. */
export function startOf(run, step) {
    if (step.event === 'bait_off') {
        // of several baits each ends the one before it
        const mark = run.findLast((one) => one.event === 'bait_on') ?? null;
        return { event: 'bait_on', mark, window: step.hold_ms === null ? null : [0, step.hold_ms, step.hold_ms] };
    }
    if (step.interval === null) {
        return { event: null, mark: null, window: null };
    }
    const [usual, instead] = step.interval.from;
    if (instead && find(run, usual.event) === null) {
        const place = find(run, instead.event);
        return { event: instead.event, mark: run[place] ?? null, window: instead.window };
    }
    const after = step.interval.after === null ? null : find(run, step.interval.after);
    const place = find(run, usual.event, after === null ? 0 : after + 1);
    return { event: usual.event, mark: run[place] ?? null, window: usual.window };
}

/** The interval that a step ends, as the core's verdict measures it. */
export function intervalOf(run, step) {
    const start = startOf(run, step);
    const end = find(run, step.event, start.mark === null ? 0 : run.indexOf(start.mark) + 1);
    const measured = start.mark === null || end === null ? null : run[end].at_ms - start.mark.at_ms;
    return {
        event: step.interval?.event ?? null,
        from: start.event,
        start: start.mark,
        end: run[end] ?? null,
        measured,
        window: start.window,
    };
}
