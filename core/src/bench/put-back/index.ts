export { putBackList, type PutBackList, type PutBackStep } from './put-back'
