import { startStandIn } from './standIn.ts'

/** The stand-in host as a process of its own: its settings come by the environment, how it is got to is said to its parent. */
const {
  VIATICA_HOST_FOLDER,
  VIATICA_HOST_PASSWORD,
  VIATICA_HOST_SFTP_PORT,
  VIATICA_HOST_FTP_PORT,
  VIATICA_HOST_WEB_PORT,
} = process.env
if (!VIATICA_HOST_FOLDER || !VIATICA_HOST_PASSWORD)
  throw new Error('VIATICA_HOST_FOLDER and VIATICA_HOST_PASSWORD must be set')

const host = await startStandIn({
  folder: VIATICA_HOST_FOLDER,
  password: VIATICA_HOST_PASSWORD,
  sftpPort: Number(VIATICA_HOST_SFTP_PORT ?? 0),
  ftpPort: Number(VIATICA_HOST_FTP_PORT ?? 0),
  webPort: Number(VIATICA_HOST_WEB_PORT ?? 0),
})
process.send?.(host.access)

const stop = () => void host.stop().then(() => process.exit(0))
process.on('SIGTERM', stop)
process.on('SIGINT', stop)
// When whoever started this process is gone, there is nobody left to stop it.
process.on('disconnect', stop)
