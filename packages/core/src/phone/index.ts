export {
  accessSchema,
  codeRequestSchema,
  type KitchenAccess,
  pairingCodeSchema,
  type PairingCode,
  pairRequestSchema,
  type Phone,
  type PhoneChange,
  phoneChangeSchema,
  phoneSchema,
  type Role,
  ROLES,
} from './phoneSchema';
