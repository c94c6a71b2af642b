// A thread that asks again and again whether the server is well, and notes the longest that it had to wait.
import { parentPort, workerData } from 'node:worker_threads'

let worst = 0
let isOver = false
parentPort.on('message', () => (isOver = true))
while (!isOver) {
  const start = performance.now()
  await fetch(workerData).then((response) => response.text())
  worst = Math.max(worst, performance.now() - start)
  await new Promise((resolve) => setTimeout(resolve, 10))
}
parentPort.postMessage(worst)
process.exit()
