export { ProtocolsScreen as default } from '@/features/pages/late';
