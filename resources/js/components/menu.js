const stored = () => {
    try {
        return localStorage.getItem('theme');
    } catch {
        return null;
    }
};

export function applyTheme() {
    const theme = stored() ?? (matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light');
    document.documentElement.setAttribute('data-bs-theme', theme);
}

/** The account menu, and the choice of light or dark, which is the device's affair. */
export function menu() {
    return {
        isOpen: false,
        theme: document.documentElement.getAttribute('data-bs-theme'),
        get themeWords() {
            return this.theme === 'dark' ? 'Light screen' : 'Dark screen';
        },
        toggle() {
            this.isOpen = !this.isOpen;
        },
        close() {
            this.isOpen = false;
        },
        turnTheme() {
            this.theme = this.theme === 'dark' ? 'light' : 'dark';
            localStorage.setItem('theme', this.theme);
            applyTheme();
        },
    };
}
