import { InputError } from '../../base/errors'
import { latin1 } from './latin1'
import { DEFAULT_MAX_EDGES, type Capture, type FormatReader, type ReadOptions } from './capture'
import { LevelTrack } from './level-track'
import { codeNumber, LEVEL, MAX_CODE, TABLE, VcdCodes } from './vcd-codes'
import { MAX_HEADER_BYTES, parseVcdHeader, type VcdHeader } from './vcd-header'

const NEWLINE = 10
const SPACE = 32
const HASH = 35
const DOLLAR = 36
const enum State {
  Between,
  Time,
  Code,
  VectorBits,
  SkipWord,
  Directive,
  Comment,
  Foreign,
}

/** A time stamp that is read at once is no longer than this, with what ends it. */
const LONGEST_PLAIN = 24
const ZERO = 48

/**
 * A streaming reader for value change dumps (IEEE 1364-2005, clause 18, four-state).
 * One pass, one byte at a time, without making strings: the body of a dump is tens of millions of tiny words.
 */
export class VcdReader implements FormatReader {
  private header: VcdHeader | null = null
  private headerText = ''
  private tracks: LevelTrack[] = []
  private readonly codes = new VcdCodes()

  private state = State.Between
  private time = 0
  private partial = 0
  private digits = 0
  private level = 0
  private code = 0
  private codeLength = 0
  private word = ''
  private firstTime = -1
  private paused = false
  private foreign = 0
  private lines = 1
  private bytes = 0

  constructor(
    private readonly file: string,
    private readonly options: ReadOptions = {},
  ) {}

  feed(chunk: Uint8Array): void {
    let body = chunk
    if (!this.header) {
      const before = this.headerText.length
      this.headerText += latin1(chunk)
      const at = /\$enddefinitions\s+\$end(?=\s|$)/.exec(this.headerText)
      if (!at) {
        if (this.headerText.length > MAX_HEADER_BYTES) {
          throw new InputError('the header does not end', `$enddefinitions within ${MAX_HEADER_BYTES} bytes`, {
            file: this.file,
            byteOffset: MAX_HEADER_BYTES,
          })
        }
        return
      }
      const end = at.index + at[0].length
      this.begin(this.headerText.slice(0, end))
      body = chunk.subarray(Math.max(0, end - before))
      this.bytes = end
      this.headerText = ''
    }
    this.scan(body)
  }

  private begin(text: string): void {
    this.header = parseVcdHeader(text, this.file)
    for (let i = 0; i < text.length; i++) if (text.charCodeAt(i) === NEWLINE) this.lines++
    const max = this.options.maxEdgesPerChannel ?? DEFAULT_MAX_EDGES
    for (const { code } of this.header.variables) {
      if (code.length > MAX_CODE)
        throw this.bad(`a signal's code is ${code.length} characters long`, `at most ${MAX_CODE}`)
      if (this.codes.add(codeNumber(code), this.tracks.length))
        this.tracks.push(new LevelTrack(max, this.options.rolling))
    }
  }

  private bad(problem: string, expected: string): InputError {
    return new InputError(problem, expected, { file: this.file, line: this.lines, byteOffset: this.bytes })
  }

  // The loop over every byte of a recording: a call for each state would cost more than the work in it.
  // eslint-disable-next-line complexity, max-lines-per-function
  private scan(b: Uint8Array): void {
    const n = b.length
    const { table } = this.codes
    const tracks = this.tracks
    let { state, code, codeLength, partial, digits } = this
    let i = 0
    while (i < n) {
      let c = b[i]!
      switch (state) {
        case State.Between:
          i = this.plain(b, i)
          if (i === n) break
          c = b[i]!
          i++
          if (c <= SPACE) {
            if (c === NEWLINE) this.lines++
          } else if (c === HASH) {
            state = State.Time
            partial = 0
            digits = 0
          } else if (LEVEL[c] !== 255) {
            this.level = LEVEL[c]!
            code = 0
            codeLength = 0
            state = State.Code
          } else if (c === DOLLAR) {
            this.word = ''
            state = State.Directive
          } else if (c === 98 || c === 66) {
            // b, B: a vector; its last bit counts where the signal is one bit wide
            this.level = 255
            state = State.VectorBits
          } else if (c === 114 || c === 82 || c === 115 || c === 83) {
            // r, R: a real; s, S: a string of some writers
            this.level = 255
            state = State.VectorBits
          } else if (c >= 65 && c <= 90) {
            // Some programs print the values of analogue channels between, a line each ("A1: 3.1 V DC").
            this.foreign++
            state = State.Foreign
          } else {
            this.bytes += i - 1
            throw this.bad(
              `a line starts with "${String.fromCharCode(c)}"`,
              'a time (#), a value (0, 1, x, z, b, r) or a $ command',
            )
          }
          break
        case State.Foreign:
          while (i < n && b[i]! !== NEWLINE) i++
          if (i < n) state = State.Between
          break
        case State.Time:
          while (i < n && (c = b[i]!) > SPACE) {
            if (c < 48 || c > 57) {
              this.bytes += i
              throw this.bad(`a time stamp holds "${String.fromCharCode(c)}"`, 'digits after #')
            }
            partial = partial * 10 + c - 48
            digits++
            i++
          }
          if (i < n) {
            state = State.Between
            if (digits === 0) {
              this.bytes += i
              throw this.bad('a time stamp is empty', 'digits after #')
            }
            this.setTime(partial, i)
          }
          break
        case State.Code:
          while (i < n && (c = b[i]!) > SPACE) {
            code = code * 95 + c - SPACE
            codeLength++
            i++
          }
          if (i < n) {
            state = State.Between
            const track = code < TABLE ? table[code]! : this.codes.find(code)
            if (track >= 0) {
              if (this.level !== 255) tracks[track]!.set(this.level, this.time)
            } else if (codeLength === 0) {
              this.bytes += i
              throw this.bad('a value has no code behind it', 'the code of a declared signal')
            }
          }
          break
        case State.VectorBits:
          while (i < n && (c = b[i]!) > SPACE) {
            this.level = LEVEL[c]!
            i++
          }
          if (i < n) {
            code = 0
            codeLength = 0
            while (i < n && (c = b[i]!) <= SPACE) {
              if (c === NEWLINE) this.lines++
              i++
            }
            state = State.SkipWord
          }
          break
        case State.SkipWord: // blanks between a vector and its code
          if (c <= SPACE) {
            if (c === NEWLINE) this.lines++
            i++
          } else {
            state = State.Code
          }
          break
        case State.Directive:
          while (i < n && (c = b[i]!) > SPACE) {
            this.word += String.fromCharCode(c)
            if (this.word.length > 32)
              throw this.bad(
                `"$${this.word}" is no command`,
                '$dumpvars, $dumpoff, $dumpon, $dumpall, $comment or $end',
              )
            i++
          }
          if (i < n) state = this.directive()
          break
        case State.Comment:
          while (i < n && (c = b[i]!) > SPACE) {
            this.word = this.word.length < 8 ? this.word + String.fromCharCode(c) : 'longword'
            i++
          }
          if (i < n) {
            if (this.word === '$end') state = State.Between
            this.word = ''
            if (c === NEWLINE) this.lines++
            i++
          }
          break
      }
    }
    this.bytes += n
    this.state = state
    this.code = code
    this.codeLength = codeLength
    this.partial = partial
    this.digits = digits
  }

  /**
   * Takes what nearly all of a file is, time stamps and one-bit values with a code of one character, each on a line of
   * its own.
   * @returns where anything else begins; the general way takes it, and says what is wrong with it
   */
  private plain(b: Uint8Array, from: number): number {
    const { table } = this.codes
    const { tracks } = this
    const last = b.length - LONGEST_PLAIN
    let { time, lines } = this
    let i = from
    while (i < last) {
      const c = b[i]!
      if (c === HASH) {
        let at = i + 1
        let t = 0
        let digit = b[at]! - ZERO
        while (digit >= 0 && digit <= 9 && at < last + LONGEST_PLAIN - 2) {
          t = t * 10 + digit
          digit = b[++at]! - ZERO
        }
        if (b[at] !== NEWLINE || at === i + 1 || t < time || this.firstTime < 0) break
        time = t
        i = at + 1
      } else {
        const level = LEVEL[c]!
        if (level === 255 || b[i + 2] !== NEWLINE) break
        const track = table[b[i + 1]! - SPACE]
        // What is no printable character has no place in the table.
        if (track === undefined || track < 0) break
        tracks[track]!.set(level, time)
        i += 3
      }
      lines++
    }
    this.time = time
    this.lines = lines
    return i
  }

  private setTime(t: number, at: number): void {
    if (this.firstTime < 0) this.firstTime = t
    else if (t < this.time) {
      this.bytes += at
      throw this.bad(`time runs backwards from #${this.time} to #${t}`, 'time stamps that never decrease')
    }
    this.time = t
  }

  private directive(): State {
    if (this.word === 'comment') {
      this.word = ''
      return State.Comment
    }
    if (this.word === 'dumpoff') this.paused = true
    if (this.word === 'dumpon') this.paused = false
    return State.Between
  }

  snapshot(windowS: number): Omit<Capture, 'fileName'> | null {
    if (!this.header || this.firstTime < 0) return null
    const { ticksPerSecond, variables, notices } = this.header
    const from = this.time - windowS * ticksPerSecond
    const channels = variables.map(({ name, code }) =>
      this.tracks[this.codes.find(codeNumber(code))]!.peek(name, ticksPerSecond, this.firstTime, from, this.time),
    )
    return { format: 'vcd', durationS: (this.time - this.firstTime) / ticksPerSecond, channels, notices }
  }

  finish(): Omit<Capture, 'fileName'> {
    if (!this.header) {
      throw new InputError('it ends within its header', '$enddefinitions $end and value changes after it', {
        file: this.file,
        byteOffset: this.headerText.length,
      })
    }
    const notices = [...this.header.notices]
    // A time stamp that the file's end cuts short may look earlier than it was.
    if (this.state === State.Time && this.digits > 0 && this.partial >= this.time) this.setTime(this.partial, 0)
    else if (this.state === State.Code && this.codes.find(this.code) >= 0 && this.level !== 255) {
      this.tracks[this.codes.find(this.code)]!.set(this.level, this.time)
    } else if (this.state !== State.Between && !(this.state === State.Directive && this.word === 'end')) {
      notices.push(`${this.file} breaks off within a value at byte ${this.bytes}; everything before it was read.`)
    }
    if (this.foreign)
      notices.push(
        `${this.foreign} lines are no value changes, such as values of analogue channels; they were left out.`,
      )
    if (this.paused) notices.push('The recording was switched off ($dumpoff) before its end.')
    const { ticksPerSecond, variables } = this.header
    const start = Math.max(0, this.firstTime)
    const made = new Map<number, ReturnType<LevelTrack['finish']>>()
    const channels = variables.map(({ name, code }) => {
      const track = this.codes.find(codeNumber(code))
      const channel = made.get(track) ?? this.tracks[track]!.finish(name, ticksPerSecond, start, this.time)
      made.set(track, channel)
      return { ...channel, name }
    })
    return { format: 'vcd', durationS: (this.time - start) / ticksPerSecond, channels, notices }
  }
}
