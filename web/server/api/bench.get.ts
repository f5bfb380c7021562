import { benchOf } from '../services/bench'

export default api((_, { drives }) => benchOf(drives, Date.now()))
