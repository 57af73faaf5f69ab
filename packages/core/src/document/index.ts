export {
  BACKUP_FORMAT,
  BACKUP_FORMAT_VERSION,
  backupHeadSchema,
  type BackupLine,
  backupLineSchema,
} from './backupSchema';
export {
  type BookEntry,
  bookEntrySchema,
  type FormulaVersion,
  formulaVersionSchema,
  type ImportReport,
  importReportSchema,
  ON_TAKEN,
  type OnTaken,
} from './bookRecords';
export { type Book, BOOK_FORMAT, BOOK_FORMAT_VERSION, bookSchema } from './bookSchema';
export { documentTag } from './documentTag';
export { DOCUMENT_NAMES, type DocumentName, jsonSchemaOf, parseJson } from './documents';
export { type Difference, mergeChanges, type Merged } from './mergeChanges';
export { deepest, MOST_NESTED } from './nesting';
