import { readFile, type FileReading } from '../features/handoff/readFile.ts';

/** Reads one project file; the body of a reading thread. */
export default (text: string): FileReading => readFile(text);
