import Chip from '@mui/material/Chip';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { Input } from '../../parts/field/Input.tsx';
import { Select } from '../../parts/field/Select.tsx';
import { type Card, type Order, orders, type Wanted } from './shelf-filter.ts';

type Props = Readonly<{
  cards: readonly Card[];
  /** How many are left. */
  shown: number;
  wanted: Wanted;
  onWant: (change: Partial<Wanted>) => void;
  writes: boolean;
}>;

/** What narrows the Shelf: words, types, badges, what is to fix, what is one's own. */
export function ShelfFilter({ cards, shown, wanted, onWant, writes }: Props) {
  const types = [...new Set(cards.map((c) => c.family.sort))].sort();
  const badges = [...new Set(cards.flatMap((c) => c.family.badges.map((b) => b.name)))].sort();
  const pick = (name: string, on: boolean, change: Partial<Wanted>) => (
    <Chip
      key={name}
      label={name}
      variant={on ? 'filled' : 'outlined'}
      color={on ? 'primary' : 'default'}
      aria-pressed={on}
      onClick={() => onWant(change)}
    />
  );
  return (
    <div className="row no-print">
      <Input
        className="grow"
        placeholder="Name, badge, or what one sees …"
        value={wanted.words}
        onChange={(e) => onWant({ words: e.target.value })}
        slotProps={{ input: { 'aria-label': 'filter the units', maxLength: 60 } }}
      />
      {types.map((type) => pick(type, wanted.type === type, { type: wanted.type === type ? '' : type }))}
      {writes && pick('something to fix', wanted.toFix, { toFix: !wanted.toFix })}
      {writes && pick('mine', wanted.mine, { mine: !wanted.mine })}
      {badges.length > 1 && (
        <Select
          native
          value={wanted.badge}
          onChange={(e) => onWant({ badge: String(e.target.value) })}
          inputProps={{ 'aria-label': 'badge' }}
        >
          <option value="">any badge</option>
          {badges.map((badge) => (
            <option key={badge}>{badge}</option>
          ))}
        </Select>
      )}
      <Select
        native
        value={wanted.order}
        onChange={(e) => onWant({ order: e.target.value as Order })}
        inputProps={{ 'aria-label': 'order' }}
      >
        {Object.entries(orders).map(([order, words]) => (
          <option key={order} value={order}>
            {words}
          </option>
        ))}
      </Select>
      <ToggleButtonGroup
        exclusive
        size="small"
        aria-label="shown as"
        value={wanted.as}
        onChange={(_, as: Wanted['as'] | null) => as && onWant({ as })}
      >
        <ToggleButton value="cards">Cards</ToggleButton>
        <ToggleButton value="list">List</ToggleButton>
      </ToggleButtonGroup>
      {shown < cards.length && (
        <span className="soft small" role="status">
          {shown} of {cards.length}
        </span>
      )}
    </div>
  );
}
