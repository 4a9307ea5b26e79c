import BenchIcon from '@mui/icons-material/ConstructionOutlined';
import SharedIcon from '@mui/icons-material/HubOutlined';
import LogIcon from '@mui/icons-material/ReceiptLongOutlined';
import TrailIcon from '@mui/icons-material/RouteOutlined';
import ShelfIcon from '@mui/icons-material/Shelves';
import SettingsIcon from '@mui/icons-material/TuneOutlined';

/** The areas of the application, and the least role each is for. */
export const areas = [
  { to: '/trail', name: 'Trail', least: 'technician', icon: TrailIcon },
  { to: '/shelf', name: 'Shelf', least: 'technician', icon: ShelfIcon },
  { to: '/library', name: 'Common', least: 'trainer', icon: SharedIcon },
  { to: '/bench', name: 'Bench', least: 'trainer', icon: BenchIcon },
  { to: '/log', name: 'Log', least: 'technician', icon: LogIcon },
  { to: '/settings', name: 'Settings', least: 'admin', icon: SettingsIcon },
] as const;
export type Area = (typeof areas)[number];
