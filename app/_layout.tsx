import '../ui/global.css';
import { Root } from '@/features/shell/Root';

export default Root;
