export { putBackList, type PutBackList, type PutBackStep } from './put-back'
export { asFoundRecord, type RecordedItem } from './record'
