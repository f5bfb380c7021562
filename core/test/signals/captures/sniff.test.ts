import { describe, expect, it } from 'vitest'
import { extensionNotice, sniffFormat } from '../../../src/signals/captures/sniff'

const bytes = (text: string) => Uint8Array.from(text, c => c.charCodeAt(0))

describe('the content decides the format', () => {
  it.each([
    ['$date today $end', 'vcd'],
    ['\n\n  $timescale 1 us $end', 'vcd'],
    ['META rate: 1\n$version x $end', 'vcd'],
    ['RIFF\x10\0\0\0WAVEfmt ', 'wav'],
    ['Time (s),A\n0,1\n', 'csv'],
    ['\xEF\xBB\xBFZeit;A\n', 'csv'],
    ['; a comment\n1,0\n', 'csv'],
    ['0.1\n0.2\n', 'csv'],
  ])('%j is %s', (text, format) => {
    expect(sniffFormat(bytes(text), 'x')).toBe(format)
  })

  it.each([
    ['\xFF\xD8\xFF\xE1', 'a JPEG picture'],
    ['\x89PNG\r\n', 'a PNG picture'],
    ['GIF89a', 'a GIF picture'],
    ['%PDF-1.7', 'a PDF document'],
    ['PK\x03\x04', 'a ZIP archive'],
    ['ID3\x04', 'an MP3 recording'],
    ['OggS', 'an Ogg recording'],
    ['fLaC', 'a FLAC recording'],
    ['7z\xBC\xAF', 'a 7z archive'],
    ['\x7FELF', 'a program'],
    ['II*\0', 'a TIFF picture'],
    ['SQLite format 3\0', 'a database'],
    ['\0\0\0\x18ftypheic', 'a video or phone photo'],
    ['RF64\xFF\xFF\xFF\xFFWAVE', '64-bit WAV'],
    ['<html>', 'a web page'],
    ['{"a":1}', 'JSON'],
  ])('%j looks like %s', (text, what) => {
    expect(() => sniffFormat(bytes(text), 'drop.vcd')).toThrow(what)
  })

  it('names the first byte that no text has', () => {
    expect(() => sniffFormat(bytes('abc\x01def'), 'x.csv')).toThrow(
      'x.csv, byte 3: this is a binary file of an unknown kind',
    )
    expect(() => sniffFormat(bytes('\xEF\xBB\xBFab\0'), 'x.csv')).toThrow('x.csv, byte 5')
  })
})

describe('a name that promises another format', () => {
  it.each([
    ['a.vcd', 'vcd', null],
    ['a.VCD.gz', 'vcd', null],
    ['noextension', 'csv', null],
    ['a.txt', 'csv', null],
    ['a.csv', 'vcd', 'The name ends in .csv, but the content is VCD and was read as that.'],
    ['a.log', 'csv', 'The name ends in .log, but the content is CSV and was read as that.'],
  ] as const)('%s holding %s', (name, format, notice) => {
    expect(extensionNotice(name, format)).toBe(notice)
  })
})
