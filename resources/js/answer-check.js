// Compares an answer with what the core wrote into its step, so that nobody walks past a hold point in a basement. The server
// judges every answer again by AnswerJudge; the two must be changed together.

const isSkipped = (answer) => answer.skip_reason !== undefined;

function isBeyond(step, answer) {
    return (
        answer.value !== undefined &&
        ((step.stopOver !== '' && answer.value > Number(step.stopOver)) || (step.stopUnder !== '' && answer.value < Number(step.stopUnder)))
    );
}

function isInBand(step, answer) {
    return (
        !(step.min !== '' && answer.value < Number(step.min)) &&
        !(step.max !== '' && answer.value > Number(step.max)) &&
        !isBeyond(step, answer)
    );
}

// Found, and put right: it closes the step with a note.
function isNoted(step, answer) {
    return (step.noted ?? '').split(' ').includes(answer.choice);
}

function isNotSo(step, answer) {
    return (
        !isSkipped(answer) &&
        (step.kind === 'measure'
            ? isBeyond(step, answer)
            : answer.so === false || (step.kind === 'choose' && answer.choice !== step.wanted && !isNoted(step, answer)))
    );
}

export function isAsExpected(step, answer) {
    if (isSkipped(answer) || step.kind === 'time') {
        return false;
    }
    if (step.kind === 'choose') {
        return answer.choice === step.wanted;
    }
    if (step.kind === 'measure') {
        return isInBand(step, answer);
    }
    return answer.so === true && (step.kind !== 'photo' || answer.photos.length > 0);
}

/** Whether what waits for the step may be done. */
export function closes(step, answer) {
    return isAsExpected(step, answer) || (!isNotSo(step, answer) && step.hold !== '1');
}

/** What is missing from an answer, in words; empty when it can be kept. `step` is the dataset of its section. */
export function faultOf(step, answer) {
    if (step.stopped === '1' && (isSkipped(answer) || answer.so !== false)) {
        return 'It cannot be called done while a finding stands against it.';
    }
    if (!isSkipped(answer)) {
        if (step.kind === 'measure' && !Number.isFinite(answer.value)) {
            return 'The figure that the instrument shows.';
        }
        if (
            step.kind === 'measure' &&
            ((step.couldMin !== '' && answer.value < Number(step.couldMin)) ||
                (step.couldMax !== '' && answer.value > Number(step.couldMax)))
        ) {
            return `Is that so? Here the instrument can read ${step.could}: look at point, range and unit.`;
        }
        if (step.kind === 'choose' && !answer.choice) {
            return 'Choose one of the answers.';
        }
        if (step.kind === 'sign' && answer.so && !answer.name) {
            return 'The name of the person who signs.';
        }
        if (step.kind === 'photo' && answer.so && answer.photos.length === 0 && !answer.note) {
            return 'Take the picture, or say why there is none.';
        }
        if (step.kind === 'confirm' && answer.so && step.asks !== '' && !answer.note) {
            return step.asks;
        }
        if (step.kind === 'measure' && step.tick !== '' && !isBeyond(step, answer) && !answer.so) {
            return `${step.tick}: do it, then tick it.`;
        }
    }
    return answer.note || isAsExpected(step, answer) ? '' : 'Say what was found, or why: a note is needed.';
}
