// Edits of a circuit's draft without a network: kept on this device in their order, made when it is back. The server makes each once.

const WAIT_MS = 4000;

const isThere = async () => {
    try {
        return (await fetch('/up', { method: 'HEAD', cache: 'no-store' })).ok;
    } catch {
        return false;
    }
};

class DraftEdits {
    constructor(notice) {
        this.notice = notice;
        this.key = `escapement-draft:${notice.dataset.maker}:${notice.dataset.action}`;
        this.isSending = false;
        document.addEventListener('submit', (event) => this.take(event));
        addEventListener('online', () => this.send());
        // its forms still carry the name of their edit
        addEventListener('pageshow', (event) => (event.persisted ? location.reload() : null));
        this.show();
        this.send();
    }

    kept() {
        return JSON.parse(localStorage.getItem(this.key) ?? '[]');
    }

    keep(edits) {
        if (edits.length === 0) {
            localStorage.removeItem(this.key);
        } else {
            localStorage.setItem(this.key, JSON.stringify(edits));
        }
        this.show();
    }

    show() {
        const waiting = this.kept().length;
        this.notice.hidden = waiting === 0;
        const waits = waiting === 1 ? 'One change waits' : `${waiting} changes wait`;
        this.notice.textContent = waiting === 0 ? '' : `No network. ${waits} on this device; made in their order when it is back.`;
    }

    // A form of the draft goes the ordinary way while there is a network and nothing waits before it.
    async take(event) {
        const form = event.target;
        if (form.getAttribute('action') !== this.notice.dataset.action || form.dataset.goes === 'yes') {
            return;
        }
        event.preventDefault();
        const body = new URLSearchParams(new FormData(form, event.submitter));
        body.set('edit', crypto.randomUUID());
        if (this.kept().length === 0 && (await isThere())) {
            for (const name of ['edit', 'verb']) {
                const field = document.createElement('input');
                Object.assign(field, { type: 'hidden', name, value: body.get(name) ?? '' });
                form.append(field);
            }
            form.dataset.goes = 'yes';
            form.submit();
            return;
        }
        this.keep([...this.kept(), body.toString()]);
        this.send();
    }

    async send() {
        if (this.isSending || this.kept().length === 0 || !(await isThere())) {
            if (this.kept().length > 0) {
                setTimeout(() => this.send(), WAIT_MS);
            }
            return;
        }
        this.isSending = true;
        const token = document.querySelector('meta[name=csrf-token]').content;
        while (this.kept().length > 0) {
            const [first, ...rest] = this.kept();
            const body = new URLSearchParams(first);
            body.set('_token', token);
            let answer;
            try {
                answer = await fetch(this.notice.dataset.action, { method: 'POST', body, redirect: 'manual' });
            } catch {
                break;
            }
            if (answer.type !== 'opaqueredirect') {
                this.notice.textContent = 'The changes that wait here could not be made: reload the page, and sign in again if it asks.';
                this.isSending = false;
                return;
            }
            this.keep(rest);
        }
        this.isSending = false;
        if (this.kept().length === 0) {
            location.reload(); // what was refused is told there
        } else {
            setTimeout(() => this.send(), WAIT_MS);
        }
    }
}

export function attachDraftEdits() {
    const notice = document.querySelector('[data-draft-edits]');
    if (notice) {
        new DraftEdits(notice);
    }
}
