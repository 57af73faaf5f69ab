import { type FileQuestion, answerFile } from './fileWork';

/** Reads a file away from the page, so that a large or hostile one never holds it. */
onmessage = ({ data }: MessageEvent<FileQuestion>) => postMessage(answerFile(data));
