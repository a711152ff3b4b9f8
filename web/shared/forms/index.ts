export { filled, lineClass, Lines, Row, SelectRow, Text } from './EntryRows.tsx';
export { FormEnd } from './FormEnd.tsx';
export { FormFinder, FormSelect } from './FormLists.tsx';
