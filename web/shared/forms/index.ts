export { filled, lineClass, Lines, Row, SelectRow, Text } from './EntryRows.tsx';
export { FormEnd } from './FormEnd.tsx';
export { FormSelect } from './FormSelect.tsx';
