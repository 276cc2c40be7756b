/**
 * How colours look to readers who lack one kind of cone, as matrices over linear light (G. M. Machado and others, A
 * Physiologically-based Model for Simulation of Color Vision Deficiency, 2009, severity 1), and in grey print (luminance).
 */
export const readers: Record<string, { name: string; note: string; matrix: string }> = {
  protan: {
    name: 'protan',
    note: 'no red',
    matrix: '0.152 1.053 -0.205 0 0 0.115 0.786 0.099 0 0 -0.004 -0.048 1.052 0 0 0 0 0 1 0',
  },
  deutan: {
    name: 'deutan',
    note: 'no green',
    matrix: '0.367 0.861 -0.228 0 0 0.280 0.673 0.047 0 0 -0.012 0.043 0.969 0 0 0 0 0 1 0',
  },
  tritan: {
    name: 'tritan',
    note: 'no blue',
    matrix: '1.256 -0.077 -0.179 0 0 -0.078 0.931 0.148 0 0 0.005 0.691 0.304 0 0 0 0 0 1 0',
  },
  grey: {
    name: 'grey print',
    note: 'no colours',
    matrix: '0.213 0.715 0.072 0 0 0.213 0.715 0.072 0 0 0.213 0.715 0.072 0 0 0 0 0 1 0',
  },
}
