import { emergencyNumbers, secondNumberMissing } from './index.js';

// Common practice, no source: two numbers before work begins.
describe('numbers for an emergency', () => {
  const one = { phone: '0550 1', contacts: [] };
  const two = { phone: '0550 1', contacts: [{ phone: '' }, { phone: '0550 2' }] };
  it('are those of owner and contacts, each once however it is written', () => {
    expect(emergencyNumbers(two)).toEqual(['0550 1', '0550 2']);
    expect(emergencyNumbers({ phone: ' ', contacts: [{ phone: '(0550) 1' }, { phone: '0550-1' }] })).toEqual(['(0550) 1']);
    expect(emergencyNumbers(one, '0550 3')).toEqual(['0550 1', '0550 3']);
    expect(emergencyNumbers(one, '05501')).toEqual(['0550 1']);
    expect(emergencyNumbers(one, null)).toEqual(['0550 1']);
  });
  it('are asked for until there are two, or the owner says that there is no second one', () => {
    expect([secondNumberMissing(two, undefined), secondNumberMissing(one, undefined)]).toEqual([false, true]);
    expect([secondNumberMissing(one, '0550 3'), secondNumberMissing(one, '0550 1'), secondNumberMissing(one, null)]).toEqual([
      false,
      true,
      false,
    ]);
  });
});
