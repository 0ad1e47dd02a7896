/** What stands before the server: built as a file of its own. */
export { NotServed, checked, held } from './database-file';
export { door } from './door';
