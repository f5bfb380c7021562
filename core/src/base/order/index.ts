export { byText } from './by-text'
export { addTo } from './add-to'
