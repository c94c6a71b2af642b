// TypeScript is read as it stands.
import { register } from 'tsx/esm/api'

register()
