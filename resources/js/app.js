import Alpine from '@alpinejs/csp';
import 'htmx.org/dist/htmx.esm.js';
import { benchClock } from './components/bench-clock.js';
import { bulkPictures } from './components/bulk-pictures.js';
import { logEntry } from './components/log-entry.js';
import { menu, applyTheme } from './components/menu.js';
import { moot } from './components/moot.js';
import { phaseBoard } from './components/phase-board.js';
import { picture } from './components/picture.js';
import { procedure } from './components/procedure.js';
import { ranks } from './components/ranks.js';
import { reading } from './components/reading.js';
import { recordingForm, recordingZoom } from './components/recording.js';
import { signature } from './components/signature.js';
import { stopwatch } from './components/stopwatch.js';
import { testCursor } from './components/test-cursor.js';
import { visitPlan } from './components/visit-plan.js';
import { attachDraftEdits } from './components/draft-edits.js';
import { attachPlayStrips } from './components/play-strip.js';
import { attachStrips } from './components/strip.js';
import { dropPagesOfOthers } from './kept-pages.js';

applyTheme();

document.addEventListener('htmx:config:request', (event) => {
    event.detail.ctx.request.headers['X-CSRF-TOKEN'] = document.querySelector('meta[name=csrf-token]').content;
});
document.addEventListener('htmx:after:swap', () => attachStrips());

// Single letters act only while nobody is typing.
document.addEventListener('keydown', (event) => {
    if (event.target.closest('input, textarea, select') || event.ctrlKey || event.metaKey || event.altKey) {
        return;
    }
    const field = document.querySelector(`[data-key="${CSS.escape(event.key)}"]`);
    if (field) {
        event.preventDefault();
        field.focus();
    }
});

Alpine.data('benchClock', benchClock);
Alpine.data('bulkPictures', bulkPictures);
Alpine.data('logEntry', logEntry);
Alpine.data('menu', menu);
Alpine.data('moot', moot);
Alpine.data('phaseBoard', phaseBoard);
Alpine.data('picture', picture);
Alpine.data('procedure', procedure);
Alpine.data('ranks', ranks);
Alpine.data('reading', reading);
Alpine.data('recordingForm', recordingForm);
Alpine.data('recordingZoom', recordingZoom);
Alpine.data('signature', signature);
Alpine.data('stopwatch', stopwatch);
Alpine.data('testCursor', testCursor);
Alpine.data('visitPlan', visitPlan);
Alpine.start();
attachStrips();
attachPlayStrips();
attachDraftEdits();
// on a phone the row of pages is longer than the screen
document.querySelector('.subjects [aria-current]')?.scrollIntoView({ inline: 'center', block: 'nearest' });

dropPagesOfOthers();

// The worker keeps the pages of a run, so that a reload in the basement still shows the stopwatch.
if ('serviceWorker' in navigator) {
    navigator.serviceWorker.register('/sw.js').catch(() => {});
}
