// Made by tools/notation.php from core/Notation.
export const inks: Record<string, string> = {
    "ink": "#23272E",
    "prior-year": "#A9ADB2",
    "missed": "#776C68",
    "favourable": "#1F9E8F",
    "favourable-text": "#0B7A75",
    "unfavourable": "#B8370F",
    "unfavourable-text": "#B8370F",
    "quiet": "#6B6F76",
    "accent": "#6A2C5B",
    "accent-tint": "#F6EEF3",
    "paper": "#FBFAF7",
    "panel": "#FFFFFF",
    "hairline": "#E6E1D7",
    "hatch-ink": "#23272E",
    "hatch-favourable": "#1F9E8F",
    "hatch-unfavourable": "#B8370F",
    "hatch-missed": "#776C68",
    "hatch-prior-year": "#A9ADB2"
}
export const hatches: string[] = ["hatch-ink","hatch-favourable","hatch-unfavourable","hatch-missed","hatch-prior-year"]
export const hatch = { size: 5, thickness: 1.9, path: 'M-1 1L1 -1M0 5L5 0M4 6L6 4', paper: '#FFFFFF' }
export const chartFont = 'IBM Plex Sans'
