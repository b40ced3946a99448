import { describe, expect, it } from 'vitest';
import { PLAIN_CALL, type BlockCall } from '../core';
import { callerPath, callOfAddress, isForClass } from './blockCall';

const call: BlockCall = { mode: 'tens', sides: 'both', secondsPerCount: 1.2, rounds: 3, times: 12 };
const searchOf = (path: string) => path.slice(path.indexOf('?'));

describe('the address of the caller from a class', () => {
  it('asks for a form as the block does, and says that one comes back', () => {
    const path = callerPath('a', call);
    expect(path.startsWith('/sequences/a/call?')).toBe(true);
    expect(callOfAddress(searchOf(path))).toEqual(call);
    expect(isForClass(searchOf(path))).toBe(true);
  });
  it('says nothing where the block says nothing', () => {
    expect(callOfAddress(searchOf(callerPath('a', null)))).toBeNull();
    expect(callOfAddress('')).toBeNull();
    expect(isForClass('')).toBe(false);
  });
  it('with what cannot be called says nothing; what is left out is plain', () => {
    expect(callOfAddress('?mode=backwards')).toBeNull();
    expect(callOfAddress('?mode=tens&rounds=0')).toBeNull();
    expect(callOfAddress('?mode=tens&secondsPerCount=NaN')).toBeNull();
    expect(callOfAddress('?mode=tens')).toEqual({ ...PLAIN_CALL, mode: 'tens' });
  });
});
