/** Of each product one, by its place: the ribbon's colours and shades between them. Words stand beside them always. */
const COLOURS = ['#e0c26e', '#c98a9b', '#b9a06a', '#efa54a', '#5ba7c7', '#9a8fb0', '#8fb08f', '#d6a08a'];

export const colourOf = (nth: number): string => COLOURS[nth % COLOURS.length] ?? '#e0c26e';
