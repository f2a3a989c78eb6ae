export { ProtocolsScreen as default } from '@/features/measure/ProtocolsScreen';
