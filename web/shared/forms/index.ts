export { filled, lineClass, Lines, Row, Select, Text } from './EntryRows.tsx';
export { FormEnd } from './FormEnd.tsx';
