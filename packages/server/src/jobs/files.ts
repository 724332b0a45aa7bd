import type { FileName } from '@stadion/core/exchange/formats';
import type { ProjectDocument } from '@stadion/core/document/model';
import type { FileReading, KnownForecasts, Rates } from '@stadion/files';

export interface FileToMake {
  name: FileName;
  document: ProjectDocument;
  /** For files that tell clear rates. */
  rates?: Rates | undefined;
}

export interface ProjectToCheck {
  document: ProjectDocument;
  forecasts: KnownForecasts;
}

/** Work on whole projects that takes seconds for the largest ones: done elsewhere than in the thread that answers. */
export interface FileWork {
  /** Reads a project file. */
  read(text: string): Promise<FileReading>;
  /** The text of one of the files that a project is handed over in. */
  make(wanted: FileToMake): Promise<string>;
  /** Reasons against handing a project over, one sentence each. */
  failures(asked: ProjectToCheck): Promise<string[]>;
}
