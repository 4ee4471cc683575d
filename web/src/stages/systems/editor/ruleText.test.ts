import { describe, expect, it } from 'vitest';
import { freeId, withCondition, withKey, withSubject } from './ruleText';

describe('a rule put together by choosing', () => {
  it('takes conditions one after the other', () => {
    expect(withCondition('limbs', 'diameter > 22 mm')).toBe('limbs where diameter > 22 mm');
    expect(withCondition('limbs where diameter > 22 mm', 'upright')).toBe('limbs where diameter > 22 mm and upright');
  });

  it('keeps alternatives together', () => {
    expect(withCondition('limbs where a or b', 'upright')).toBe('limbs where (a or b) and upright');
  });

  it('keeps its condition with another subject', () => {
    expect(withSubject('limbs where upright', 'shoots')).toBe('shoots where upright');
    expect(withSubject('limbs', 'buds')).toBe('buds');
  });

  it('orders by one key after the other', () => {
    expect(withKey('', 'diameter down')).toBe('diameter down');
    expect(withKey('diameter down', 'height up')).toBe('diameter down, height up');
  });

  it('names what is new as nothing else is named', () => {
    expect(freeId('Dicke Äste', [])).toBe('dicke-a-ste');
    expect(freeId('Thick limbs', ['thick-limbs', 'thick-limbs-2'])).toBe('thick-limbs-3');
    expect(freeId('22', [])).toBe('own');
  });
});
