import { saveFile } from './saveFile';
import { share } from './share';

jest.mock('./saveFile', () => ({ saveFile: jest.fn() }));
const saved = saveFile as jest.MockedFunction<typeof saveFile>;
const what = { title: 'Plan', text: 'a plan', name: 'plan.md', type: 'text/markdown' };
const browser = (parts: object) =>
  Object.defineProperty(globalThis, 'navigator', { value: parts, configurable: true, writable: true });
const failing = (name: string) => () => Promise.reject(Object.assign(new Error(name), { name }));

describe('sharing', () => {
  beforeEach(() => saved.mockClear());
  it('that is cancelled downloads nothing', async () => {
    browser({ share: failing('AbortError') });
    await share(what);
    expect(saved).not.toHaveBeenCalled();
  });
  it('that fails, or that the browser does not have, is a download', async () => {
    browser({ share: failing('NotAllowedError') });
    await share(what);
    browser({});
    await share(what);
    browser({ share: jest.fn(), canShare: () => false });
    await share({ ...what, asFile: true });
    expect(saved).toHaveBeenCalledTimes(3);
  });
  it('that goes well is all', async () => {
    const send = jest.fn().mockResolvedValue(undefined);
    browser({ share: send, canShare: () => true });
    await share({ ...what, asFile: true });
    expect(send).toHaveBeenCalledWith({ title: 'Plan', files: [expect.any(File)] });
    expect(saved).not.toHaveBeenCalled();
  });
});
