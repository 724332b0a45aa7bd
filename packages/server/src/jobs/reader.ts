import { readFile, type FileReading } from '@stadion/files';

/** Reads one project file; the body of a reading thread. */
export default (text: string): FileReading => readFile(text);
