// Made by tools/notation.php from core/Notation.
export const palettes: Record<'effect' | 'greys', Record<string, string>> = {
    "effect": {
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
        "rise": "#5D646F",
        "fall": "#B3B8C0",
        "band-worst": "#B3AC9E",
        "band-1": "#C6C0B4",
        "band-2": "#D6D1C7",
        "band-3": "#E4E0D8",
        "band-4": "#F0EDE7",
        "hatch-ink": "#23272E",
        "hatch-favourable": "#1F9E8F",
        "hatch-unfavourable": "#B8370F",
        "hatch-missed": "#776C68",
        "hatch-prior-year": "#A9ADB2",
        "hatch-rise": "#5D646F",
        "hatch-fall": "#B3B8C0"
    },
    "greys": {
        "ink": "#23272E",
        "prior-year": "#A9ADB2",
        "missed": "#70747A",
        "favourable": "#8B9096",
        "favourable-text": "#585D64",
        "unfavourable": "#2E3238",
        "unfavourable-text": "#23272E",
        "quiet": "#6B6F76",
        "accent": "#4A4E55",
        "accent-tint": "#F1F1F2",
        "paper": "#FAFAFA",
        "panel": "#FFFFFF",
        "hairline": "#E2E2E3",
        "rise": "#5D646F",
        "fall": "#B3B8C0",
        "band-worst": "#ADADAE",
        "band-1": "#C0C0C1",
        "band-2": "#D1D1D2",
        "band-3": "#E0E0E1",
        "band-4": "#EDEDEE",
        "hatch-ink": "#23272E",
        "hatch-favourable": "#8B9096",
        "hatch-unfavourable": "#2E3238",
        "hatch-missed": "#70747A",
        "hatch-prior-year": "#A9ADB2",
        "hatch-rise": "#5D646F",
        "hatch-fall": "#B3B8C0"
    }
}
export const inks = palettes.effect
export const hatches: string[] = ["hatch-ink","hatch-favourable","hatch-unfavourable","hatch-missed","hatch-prior-year","hatch-rise","hatch-fall"]
export const hatch = { size: 5, thickness: 1.9, path: 'M-1 1L1 -1M0 5L5 0M4 6L6 4', paper: '#FFFFFF' }
export const chartFont = 'IBM Plex Sans'
export const serifFont = 'IBM Plex Serif'
export const serifWeight = 500
/** Of a report's page, in points: sizes of type, heights of lines, and what blocks leave to the foot. */
export const pageType = {"message":20,"messageLine":26,"text":12,"textLine":17,"foot":34}
