import { closes, faultOf } from '../answer-check.js';
import { answersOf, dropAnswer, dropPhoto, photosOf, saveAnswer, savePhoto } from '../device-store.js';
import { openKeptPages } from '../kept-pages.js';
import { shrink } from '../shrink.js';

const RETRY_MS = 4000;
const PATIENCE_MS = 60_000;
const csrf = () => document.querySelector('meta[name=csrf-token]').content;

/**
 * A procedure on a phone. Answers and pictures are saved on the device, then sent: answers together, pictures one by one. Without
 * a network the phone shows the next step that does not wait for one unanswered.
 */
export function procedure() {
    let run = 0;
    let user = 0; // who is signed in on this page
    let isSending = false;
    let isStale = false; // the server has more than the page shows
    let picked = null; // the step that somebody went to by the list

    return {
        waiting: [],
        photos: [],
        problem: '',
        isSendingNow: false,

        async init() {
            run = Number(this.$el.dataset.run);
            user = Number(this.$el.dataset.user);
            this.$el.addEventListener('submit', (event) => this.submit(event), true);
            this.$el.addEventListener('change', (event) => this.take(event));
            this.$el.addEventListener('click', (event) => this.camera(event, true));
            this.$el.addEventListener('click', (event) => this.pick(event));
            this.$el.addEventListener('cancel', (event) => this.camera(event, false), true);
            this.waiting = await answersOf(run);
            this.photos = await photosOf(run);
            addEventListener('online', () => this.send());
            setInterval(() => this.send(), RETRY_MS);
            navigator.storage?.persist?.().catch(() => {}); // pictures of a day must outlast a full phone
            this.show();
            this.send();
            document.addEventListener('visibilitychange', () => this.keepAwake());
            this.keepAwake();
        },

        /** Phones change hands: what somebody else made here waits until that person is signed in. */
        isMine({ maker }) {
            return maker === undefined || maker === user;
        },
        get foreign() {
            return [...this.waiting, ...this.photos].filter((one) => !this.isMine(one)).length;
        },
        get unsent() {
            return this.waiting.length + this.photos.filter(({ refused }) => !refused).length;
        },
        get netWords() {
            if (this.problem) {
                return this.problem;
            }
            if (this.unsent === 0) {
                return 'Kept on this device first. All sent.';
            }
            if (this.foreign > 0) {
                return `${this.foreign} made here by somebody else: sent when that person signs in`;
            }
            return this.isSendingNow ? `Sending ${this.unsent}` : 'Saved on this device';
        },
        get unsentWords() {
            return this.unsent > 0 ? `${this.unsent} to send` : '';
        },

        async submit(event) {
            const form = event.target.closest('.now-form');
            if (!form) {
                return;
            }
            event.preventDefault();
            event.stopImmediatePropagation();
            const section = form.closest('[data-step]');
            const answer = this.read(form, event.submitter);
            const fault = faultOf(section.dataset, answer);
            this.tell(section, fault);
            if (fault) {
                return;
            }
            const kept = { ...answer, maker: user, run, order: Date.now(), closes: closes(section.dataset, answer) };
            await saveAnswer(kept);
            picked = null;
            form.reset(); // what was found once is no note on the next answer
            this.waiting = [...this.waiting, kept];
            this.show();
            await this.send();
        },
        read(form, submitter) {
            const fields = new FormData(form);
            const text = (name) => (fields.get(name) ?? '').toString().trim() || null;
            const value = text('value')?.replace(',', '.');
            const section = form.closest('[data-step]');
            const isSkipped = submitter?.name === 'skip';
            const so = submitter?.name === 'so' ? submitter.value === '1' : form.querySelector('input[name=so]:checked') ? true : undefined;
            return {
                id: crypto.randomUUID(),
                step: section.dataset.step,
                client_wall: new Date().toISOString(),
                note: text('note'),
                photos: [...section.querySelectorAll('[data-picture]')].map(({ dataset }) => dataset.picture),
                ...(isSkipped ? { skip_reason: text('note') ?? '' } : {}),
                ...(!isSkipped && so !== undefined ? { so } : {}),
                ...(!isSkipped && value !== undefined ? { value: Number(value) } : {}),
                ...(!isSkipped && fields.get('choice') ? { choice: fields.get('choice') } : {}),
                ...(!isSkipped && text('name') ? { name: text('name'), drawing: text('drawing') } : {}),
            };
        },
        tell(section, message) {
            const place = section.querySelector('[data-fault]');
            place.textContent = message;
            place.hidden = message === '';
        },

        /** All steps are on the page: going to one needs no network, nor does correcting what was answered. */
        pick(event) {
            const link = event.target.closest('[data-item] a');
            const section = link && this.section(link.closest('[data-item]').dataset.item);
            if (!section) {
                return;
            }
            event.preventDefault();
            picked = section.dataset.step;
            this.reveal(section);
            section.scrollIntoView({ block: 'start' });
            section.querySelector('h2').focus({ preventScroll: true });
        },
        section(step) {
            return this.$root.querySelector(`[data-step="${CSS.escape(step)}"]`);
        },

        /** While the camera is open the page is out of sight, and its field must still be there when the picture comes. */
        camera(event, isOpen) {
            const section = event.target.type === 'file' && event.target.closest('[data-step]');
            if (section) {
                section.classList.toggle('has-camera', isOpen);
            }
        },
        /** A picture is on the device before anything else happens to it. */
        async take(event) {
            const section = event.target.closest('[data-step]');
            if (event.target.type !== 'file' || !section) {
                return;
            }
            this.camera(event, false);
            const files = [...event.target.files];
            event.target.value = ''; // the same picture can be taken again
            for (const file of files) {
                const taken = {
                    id: crypto.randomUUID(),
                    maker: user,
                    run,
                    step: section.dataset.step,
                    order: Date.now(),
                    client_wall: new Date().toISOString(),
                    blob: file,
                };
                await savePhoto(taken);
                const photo = { ...taken, blob: await shrink(file) };
                await savePhoto(photo);
                // read from the store meanwhile, it is here as it was taken
                this.photos = [...this.photos.filter(({ id }) => id !== photo.id), photo];
            }
            this.show();
            await this.send();
        },

        /** Shows the first step that is neither answered nor waits for one that is not, and the pictures that are still here. */
        show() {
            this.showPhotos();
            const closed = new Set(JSON.parse(this.$root.querySelector('#procedure').dataset.closed));
            for (const answer of this.waiting) {
                if (answer.closes) {
                    closed.add(answer.step);
                } else {
                    closed.delete(answer.step);
                }
                this.$root.querySelector(`[data-item="${CSS.escape(answer.step)}"]`)?.classList.add('is-waiting');
            }
            const wanted = picked && this.section(picked);
            if (wanted) {
                this.reveal(wanted);
                return;
            }
            if (this.waiting.length === 0) {
                return;
            } // what the server shows is right
            const sections = [...this.$root.querySelectorAll('[data-step]')];
            const canBeDone = ({ dataset }) =>
                !closed.has(dataset.step) && dataset.waits.split(' ').every((id) => id === '' || closed.has(id));
            const next = sections.find((section) => canBeDone(section) && section.dataset.stopped === '0') ?? sections.find(canBeDone);
            this.reveal(next);
        },
        showPhotos() {
            for (const photo of this.photos) {
                const place = this.section(photo.step)?.querySelector('[data-pictures]');
                if (!place || place.querySelector(`[data-picture="${photo.id}"]`)) {
                    continue;
                }
                const figure = document.createElement('figure');
                figure.dataset.picture = photo.id;
                const image = Object.assign(document.createElement('img'), {
                    src: URL.createObjectURL(photo.blob),
                    alt: 'Picture on this device',
                });
                image.addEventListener('load', () => URL.revokeObjectURL(image.src), { once: true });
                figure.append(
                    image,
                    Object.assign(document.createElement('figcaption'), { textContent: photo.refused ?? 'on this device' }),
                );
                place.append(figure);
            }
        },

        async send() {
            if (isSending || (this.unsent === 0 && !isStale) || !navigator.onLine) {
                return;
            }
            isSending = true;
            this.isSendingNow = true;
            try {
                if (this.waiting.length > 0 || isStale) {
                    await this.sendAnswers(this.waiting.filter((one) => this.isMine(one)));
                }
                for (const photo of this.photos.filter((one) => !one.refused && this.isMine(one))) {
                    await this.sendPhoto(photo);
                }
                if (isStale) {
                    await this.refresh();
                }
            } catch {
                // no network: they stay here and are tried again
            } finally {
                isSending = false;
                this.isSendingNow = false;
            }
        },
        async sendAnswers(batch) {
            if (batch.length === 0) {
                return;
            }
            const answer = await fetch(this.$root.dataset.sendTo, {
                method: 'POST',
                headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-CSRF-TOKEN': csrf() },
                body: JSON.stringify({ answers: batch.map(({ run: _, order, closes: __, ...one }) => one) }),
                signal: AbortSignal.timeout(PATIENCE_MS),
            });
            if (answer.ok) {
                await this.sent(batch, await answer.json());
            } else {
                this.problem = this.wordsFor(answer.status);
            }
        },
        /** What the server has is dropped here; what it refused is shown at its step, and is not lost from the page. */
        async sent(batch, { kept, refused }) {
            this.problem = '';
            const fresh = await this.fetchPage();
            if (fresh === null) {
                return;
            }
            for (const { id } of batch) {
                const isTheirs = refused.some((one) => one.id === id && one.path.endsWith('/maker')); // it stays until its maker is back
                if (kept.includes(id) || (refused.some((one) => one.id === id) && !isTheirs)) {
                    await dropAnswer(id);
                }
            }
            this.waiting = await answersOf(run);
            this.replace(fresh);
            for (const one of refused) {
                const was = batch.find(({ id }) => id === one.id);
                const section = was && this.section(was.step);
                if (section) {
                    this.reveal(section);
                    this.putBack(section, was);
                    this.tell(section, one.message);
                } else {
                    this.problem = `Not taken: ${one.message}`;
                }
            }
        },
        async sendPhoto(photo) {
            const form = new FormData();
            for (const key of ['id', 'step', 'client_wall']) {
                form.append(key, photo[key]);
            }
            if (photo.maker) {
                form.append('maker', photo.maker);
            }
            form.append('photo', photo.blob, 'picture.jpg');
            const answer = await fetch(this.$root.dataset.picturesTo, {
                method: 'POST',
                headers: { Accept: 'application/json', 'X-CSRF-TOKEN': csrf() },
                body: form,
                signal: AbortSignal.timeout(PATIENCE_MS),
            });
            if (answer.ok) {
                await dropPhoto(photo.id);
                this.photos = this.photos.filter(({ id }) => id !== photo.id);
                this.$root.querySelector(`[data-picture="${photo.id}"] figcaption`)?.remove();
                isStale = true;
            } else if (answer.status === 413 || answer.status === 422) {
                const { error, message } = await answer.json().catch(() => ({}));
                const refused = error?.message ?? message ?? 'Not taken: too large.';
                await savePhoto({ ...photo, refused });
                this.photos = this.photos.map((one) => (one.id === photo.id ? { ...photo, refused } : one));
                this.problem = `A picture stays on this device: ${refused}`;
            } else {
                this.problem = this.wordsFor(answer.status);
                throw new Error('not now');
            }
        },

        /**
         * The page as the server has it. It must be on the device before the answers leave it: a reload without a network
         * reads that page.
         */
        async fetchPage() {
            const page = await fetch(location.pathname, { headers: { Accept: 'text/html' }, signal: AbortSignal.timeout(PATIENCE_MS) });
            if (!page.ok || page.redirected) {
                return null;
            }
            await (await openKeptPages()).put(location.pathname, page.clone());
            return new DOMParser().parseFromString(await page.text(), 'text/html').querySelector('#procedure');
        },
        async refresh() {
            const fresh = await this.fetchPage();
            if (fresh !== null) {
                this.replace(fresh);
            }
        },
        /**
         * The step that is in somebody's hands stays where it is: a camera, a keyboard or a half drawn name may be open on it.
         * Everything around it becomes what the server says.
         */
        replace(fresh) {
            isStale = false;
            const old = this.$root.querySelector('#procedure');
            const live = this.visible();
            const twin = live && this.isInHands(live) && fresh.querySelector(`[data-step="${CSS.escape(live.dataset.step)}"]`);
            if (twin) {
                const children = [...fresh.children];
                const place = children.indexOf(twin);
                for (const child of [...old.children]) {
                    if (child !== live) {
                        child.remove();
                    }
                }
                live.before(...children.slice(0, place).map((child) => document.adoptNode(child)));
                live.after(...children.slice(place + 1).map((child) => document.adoptNode(child)));
                old.dataset.closed = fresh.dataset.closed;
                this.reveal(live);
            } else {
                old.replaceWith(document.adoptNode(fresh));
            }
            this.show();
            if (!twin) {
                this.visible()?.scrollIntoView({ block: 'nearest' });
            }
        },
        isInHands(section) {
            const isTyped = (field) =>
                field.type !== 'file' && (field.value !== field.defaultValue || field.checked !== field.defaultChecked);
            return (
                section.classList.contains('has-camera') ||
                section.contains(document.activeElement) ||
                Boolean(section.querySelector('[name=drawing]')?.value) ||
                [...section.querySelectorAll('input')].some(isTyped)
            );
        },
        visible() {
            return this.$root.querySelector('.now:not([hidden])');
        },
        reveal(section) {
            for (const one of this.$root.querySelectorAll('[data-step]')) {
                one.hidden = one !== section;
            }
            for (const item of this.$root.querySelectorAll('[data-item]')) {
                item.classList.toggle('is-now', item.dataset.item === section?.dataset.step);
            }
        },
        putBack(section, was) {
            for (const name of ['value', 'note', 'name']) {
                const field = section.querySelector(`[name="${name}"]`);
                if (field) {
                    field.value = was[name] ?? (name === 'note' ? (was.skip_reason ?? '') : '');
                }
            }
            for (const field of section.querySelectorAll('input[type=radio], input[type=checkbox]')) {
                field.checked = field.name === 'choice' ? field.value === was.choice : was.so === true;
            }
        },
        wordsFor(status) {
            return status === 409
                ? 'This run is signed; these answers stay on this device.'
                : status === 403
                  ? 'Made here by somebody else: sent when that person signs in.'
                  : status === 401 || status === 419
                    ? 'Sign in again to send; the answers are safe here.'
                    : '';
        },
        async keepAwake() {
            if (document.visibilityState === 'visible') {
                try {
                    await navigator.wakeLock?.request('screen');
                } catch {
                    /* the device decides */
                }
            }
        },
    };
}
