import base from '../../playwright.config.js';

// On an installation of its own, which tests/first-day.sh starts.
export default { ...base, testDir: '.', outputDir: '../../var/first-day' };
