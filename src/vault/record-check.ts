// Is a value from storage or from the wire a frame's record? By its JSON schema.
import Ajv from 'ajv';
import { RECORD_SCHEMA, type FrameRecord } from '../core/frame/record';

export const isRecord = new Ajv().compile<FrameRecord>(RECORD_SCHEMA);
