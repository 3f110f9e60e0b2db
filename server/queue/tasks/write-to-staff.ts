import { writeToStaff } from '../../services/staff/write-to-staff'
import type { Jobs } from '../add'

export const run = ({ staffId, purpose }: Jobs['write-to-staff']) => writeToStaff(staffId, purpose)
