import BookOpen from 'lucide-react-native/icons/book-open';
import Layers from 'lucide-react-native/icons/layers';
import Sun from 'lucide-react-native/icons/sun';
import Users from 'lucide-react-native/icons/users';

/** The places of the app, in the order of the bar. */
export const places = [
  { href: '/', name: 'Today', icon: Sun },
  { href: '/students', name: 'Students', icon: Users },
  { href: '/shelf', name: 'Shelf', icon: Layers },
  { href: '/more', name: 'More', icon: BookOpen },
] as const;
