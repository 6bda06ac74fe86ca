'use client'
import { EditInPanel } from '../EditInPanel'
import { CommandForm } from '../form/CommandForm'
import { FormText } from '../form/inputs'
import { useSendAlone } from '../send'
import { DropRow } from '../DropRow'

const schema = () => import('@/contract/inputs/goods/places').then((m) => m.addPlaceInput)
const changeSchema = () =>
  import('@/contract/inputs/goods/places').then((m) => m.changePlaceInput.omit({ placeId: true }))

interface Place {
  readonly id: number
  readonly code: string
  readonly name: string
  readonly usual: boolean
}

const EditPlace = ({ place }: { readonly place: Place }) => (
  <EditInPanel name={place.name}>
    {(close) => (
      <CommandForm
        method="PATCH"
        path={`/places/${place.id}`}
        schema={changeSchema}
        start={{ code: place.code, name: place.name }}
        asBody={(d) => d}
        say={(p) => `${p.name} saved.`}
        onDone={close}
        submit="Save"
        changes
      >
        <div className="grid gap-3">
          <FormText name="code" label="Code" most={20} />
          <FormText name="name" label="Name of the place" most={60} />
        </div>
      </CommandForm>
    )}
  </EditInPanel>
)

/** Where goods lie. With one place nobody is asked for it anywhere; from the second on goods can be moved and counted by place. */
export const Places = ({ places }: { readonly places: readonly Place[] }) => {
  const { send, busy } = useSendAlone()
  const makeUsual = (p: Place) =>
    send('PATCH', `/places/${p.id}`, { usual: true }, { say: () => `New goods come to ${p.name} from now on.` })
  return (
    <section>
      <h2 className="sr-only">Places</h2>
      <p className="sub mb-2">
        {places.length < 2
          ? 'One place needs no attention. Add a second, such as a bench or a store room, to see what lies where and to move goods.'
          : 'Goods come to the default place where nothing else is said.'}
      </p>
      <table className="ledger mb-2">
        <tbody>
          {places.map((p) => (
            <tr key={p.id}>
              <td className="font-figure">{p.code}</td>
              <td>{p.name}</td>
              <td>
                <div className="flex flex-wrap justify-end gap-x-4 gap-y-1">
                  <EditPlace place={p} />
                  {!p.usual && <DropRow path={`/places/${p.id}`} what={p.name} />}
                </div>
              </td>
              <td className="r">
                {p.usual ? (
                  <span className="sub">Default</span>
                ) : (
                  <button
                    className="underline"
                    aria-label={`Make ${p.name} the default`}
                    disabled={busy}
                    onClick={() => void makeUsual(p)}
                  >
                    Make default
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <CommandForm
        method="POST"
        path="/places"
        schema={schema}
        start={{ code: '', name: '' }}
        asBody={(d) => d}
        say={(_, d) => `${d.name} added. Move goods there from their page.`}
        again
        submit="Add place"
        quiet
      >
        <div className="grid grid-cols-[110px_1fr] gap-2">
          <FormText name="code" label="Code" most={20} />
          <FormText name="name" label="Name of the place" most={60} />
        </div>
      </CommandForm>
    </section>
  )
}
