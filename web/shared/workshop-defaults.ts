/** What a workshop is set to before anybody changes it; apart from the schema, which the first page does not need. */
export const defaultWorkshop = () => ({
  name: '',
  mainsHz: 50,
  speedSchool: 'leave-alone' as 'leave-alone' | 'dial-in',
  lubricantSchool: 'light-oil' as 'light-oil' | 'thin-grease',
  shelf: ['alcohol', 'vinegar', 'contact', 'light-oil', 'silicone'],
  currency: '€',
  secondPlace: '',
  theme: 'day' as 'day' | 'dim' | 'system',
  tone: { volume: 0.3, octaveShare: 0.06 },
})
