export { byText } from './by-text'
