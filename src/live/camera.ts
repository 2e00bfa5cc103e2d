// The camera in use.
import { simulatedCamera } from '../camera/simulated/simulated';

export const camera = simulatedCamera();
